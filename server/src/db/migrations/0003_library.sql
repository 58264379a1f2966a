alter table gear add column revision integer not null default 1 check (revision >= 1);
alter table gear add column retired boolean not null default false;
alter table gear add column qualities jsonb not null
  default '{"price": null, "supplier": "", "form": null, "stiffness": null, "ruggedness": null, "shield": null}'
  check (jsonb_typeof(qualities) = 'object');
alter table gear drop constraint gear_kind_check;
alter table gear add constraint gear_kind_check
  check (kind in ('guitar', 'device', 'lead', 'end', 'plug', 'supply', 'board'));
