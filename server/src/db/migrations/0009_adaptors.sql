alter table gear drop constraint gear_kind_check;
alter table gear add constraint gear_kind_check
  check (kind in ('guitar', 'device', 'cable', 'destination', 'plug', 'supply', 'adaptor', 'board', 'fixture', 'mount'));
