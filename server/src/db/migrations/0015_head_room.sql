-- Numbers that grow by one stay below what a backup may hold: what could not be brought back is not saved either.
-- What is there already is let be.
alter table rigs add constraint rigs_revision_most check (revision <= 2000000000) not valid;
alter table gear add constraint gear_revision_most check (revision <= 2000000000) not valid;
alter table gear add constraint gear_place_most check (place <= 2000000000) not valid;
