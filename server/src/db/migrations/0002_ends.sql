alter table gear drop constraint gear_kind_check;
update gear set kind = 'end' where kind = 'amp';
alter table gear add constraint gear_kind_check check (kind in ('guitar', 'device', 'lead', 'end'));
