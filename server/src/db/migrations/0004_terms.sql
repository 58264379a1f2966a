alter table gear drop constraint gear_kind_check;
update gear set kind = 'cable' where kind = 'lead';
update gear set kind = 'destination' where kind = 'end';
alter table gear add constraint gear_kind_check
  check (kind in ('guitar', 'device', 'cable', 'destination', 'plug', 'supply', 'board'));

update gear set thing = thing - 'leadClass' || jsonb_build_object('cableClass', thing -> 'leadClass')
where kind = 'cable' and thing -> 'leadClass' is not null;
update gear set thing = thing || '{"bypass": "hardwired"}' where kind = 'device' and thing ->> 'bypass' = 'loaded';
update gear set thing = thing - 'standIn' || jsonb_build_object('pickupSimulator', thing -> 'standIn')
where kind = 'device' and thing -> 'standIn' is not null;
update gear set thing = thing || '{"pickupClass": "coveredHumbucker"}'
where kind = 'guitar' and thing ->> 'pickupClass' = 'coveredTwin';
update gear set thing = thing || '{"pickupClass": "hotHumbucker"}'
where kind = 'guitar' and thing ->> 'pickupClass' = 'hotTwin';
update gear set thing = jsonb_set(thing, '{second,pickupClass}', '"coveredHumbucker"')
where kind = 'guitar' and thing -> 'second' ->> 'pickupClass' = 'coveredTwin';
update gear set thing = jsonb_set(thing, '{second,pickupClass}', '"hotHumbucker"')
where kind = 'guitar' and thing -> 'second' ->> 'pickupClass' = 'hotTwin';
