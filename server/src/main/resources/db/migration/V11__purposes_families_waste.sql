-- What a head came in for, and what an ink change or a whole-system flush was worked out from, as JSON.
alter table visit add column purpose varchar(20) not null default 'REPAIR', add column need longtext;
alter table visit_aud add column purpose varchar(20), add column need longtext;

-- What was done, poured and seen on the way of an ink change or a whole-system flush.
create table procedure_entry (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  act varchar(20) not null,
  channel varchar(3),
  lot_id uuid,
  volume_ml decimal(10, 2),
  finding varchar(20),
  vessel varchar(200),
  lot_code varchar(60),
  inked_on date,
  text varchar(500) not null,
  waste_id uuid,
  against longtext,
  departure_reason varchar(2000),
  entered_at datetime(6) not null,
  entered_by varchar(120) not null,
  withdrawn bit not null,
  constraint procedure_entry_visit foreign key (visit_id) references visit (id),
  constraint procedure_entry_lot foreign key (lot_id) references fluid_lot (id)
);
create table procedure_entry_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, act varchar(20), channel varchar(3), lot_id uuid,
  volume_ml decimal(10, 2), finding varchar(20), vessel varchar(200), lot_code varchar(60), inked_on date, text varchar(500),
  waste_id uuid, against longtext, departure_reason varchar(2000), entered_at datetime(6), entered_by varchar(120), withdrawn bit,
  primary key (rev, id), index procedure_entry_aud_visit (visit_id),
  constraint procedure_entry_aud_rev foreign key (rev) references revision (id)
);

-- A reading that was left out although no fault forbids it, and one that the customer kept.
alter table nozzle_check add column not_taken varchar(30), add column told_on date;
alter table nozzle_check_aud add column not_taken varchar(30), add column told_on date;

-- A look that used fluid, and an error that is expected back.
alter table finding add column lot_id uuid, add column volume_ml decimal(10, 2), add column expected_on date;
alter table finding_aud add column lot_id uuid, add column volume_ml decimal(10, 2), add column expected_on date;

-- What was found besides and is none of this job.
create table also_found (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  what varchar(20) not null,
  place varchar(120) not null,
  note varchar(2000) not null,
  found_at datetime(6) not null,
  found_by varchar(120) not null,
  withdrawn bit not null,
  constraint also_found_visit foreign key (visit_id) references visit (id)
);
create table also_found_photo (
  found_id uuid primary key,
  media_type varchar(60) not null,
  picture longblob not null,
  constraint also_found_photo_found foreign key (found_id) references also_found (id)
);
create table also_found_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, what varchar(20), place varchar(120), note varchar(2000),
  found_at datetime(6), found_by varchar(120), withdrawn bit,
  primary key (rev, id), index also_found_aud_visit (visit_id), constraint also_found_aud_rev foreign key (rev) references revision (id)
);

-- Families are the shop's own: every change is kept with who and why.
alter table family add column version bigint not null default 0, add column changed_at datetime(6), add column changed_by varchar(120),
  add column why varchar(2000);
create table family_aud (
  code varchar(24) not null, rev bigint not null, revtype tinyint, name varchar(120), definition longtext, changed_at datetime(6),
  changed_by varchar(120), why varchar(2000),
  primary key (rev, code), constraint family_aud_rev foreign key (rev) references revision (id)
);

-- A bottle that was mixed here says from what and when.
alter table fluid_lot add column made_on date, add column mixed_from longtext;
alter table fluid_lot_aud add column made_on date, add column mixed_from longtext;
-- Fluid leaves a bottle for a look, a step or a mixture as well.
alter table lot_draw modify column attempt_id uuid null, add column drawn_for uuid, add index lot_draw_for (drawn_for);

-- Containers that take spent fluid; their level is what went in since they were emptied.
create table waste_container (
  id uuid primary key,
  version bigint not null,
  name varchar(120) not null,
  capacity_ml decimal(10, 2) not null,
  level_ml decimal(10, 2) not null,
  constraint waste_container_never_below_zero check (level_ml >= 0)
);
create table waste_container_aud (
  id uuid not null, rev bigint not null, revtype tinyint, name varchar(120), capacity_ml decimal(10, 2), level_ml decimal(10, 2),
  primary key (rev, id), constraint waste_container_aud_rev foreign key (rev) references revision (id)
);
create table waste_entry (
  id uuid primary key,
  container_id uuid not null,
  source_id uuid,
  emptied bit not null,
  volume_ml decimal(10, 2) not null,
  entered_at datetime(6) not null,
  entered_by varchar(120) not null,
  constraint waste_entry_container foreign key (container_id) references waste_container (id),
  index waste_entry_source (source_id)
);
alter table attempt add column waste_id uuid, add column waste_ml decimal(10, 2);
alter table attempt_aud add column waste_id uuid, add column waste_ml decimal(10, 2);
