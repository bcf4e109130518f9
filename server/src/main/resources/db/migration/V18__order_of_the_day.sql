-- What the bench has to work with, in place of the usual: one row.
create table bench_places (
  id int primary key, version bigint not null, baths int not null, trays int not null, printers int not null, test_slots int not null,
  changed_at datetime(6) not null, changed_by varchar(120) not null
);
create table bench_places_aud (
  id int not null, rev bigint not null, revtype tinyint, baths int, trays int, printers int, test_slots int, changed_at datetime(6),
  changed_by varchar(120),
  primary key (rev, id), constraint bench_places_aud_rev foreign key (rev) references revision (id)
);

-- When a person is at the bench, where that differs from the hours of the shop, under the person's key.
create table person_hours (
  id uuid primary key, version bigint not null, works boolean not null, opens varchar(5), closes varchar(5), open_days varchar(80),
  off longtext not null, changed_at datetime(6) not null, changed_by varchar(120) not null
);
create table person_hours_aud (
  id uuid not null, rev bigint not null, revtype tinyint, works boolean, opens varchar(5), closes varchar(5), open_days varchar(80),
  off longtext, changed_at datetime(6), changed_by varchar(120),
  primary key (rev, id), constraint person_hours_aud_rev foreign key (rev) references revision (id)
);

-- A step that somebody wants done by someone at a time.
create table day_pin (
  id uuid primary key, version bigint not null, visit_id uuid not null, step varchar(80) not null, person_id uuid not null,
  starts_at datetime(6) not null, pinned_at datetime(6) not null, pinned_by varchar(120) not null,
  unique key day_pin_step (visit_id, step), constraint day_pin_visit foreign key (visit_id) references visit (id)
);
create table day_pin_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, step varchar(80), person_id uuid, starts_at datetime(6),
  pinned_at datetime(6), pinned_by varchar(120),
  primary key (rev, id), index day_pin_aud_visit (visit_id), constraint day_pin_aud_rev foreign key (rev) references revision (id)
);

-- The day as it was proposed last, as JSON: one row.
create table proposed_day (
  id int primary key, version bigint not null, day longtext not null, made_at datetime(6) not null, made_by varchar(120) not null
);
create table proposed_day_aud (
  id int not null, rev bigint not null, revtype tinyint, made_at datetime(6), made_by varchar(120),
  primary key (rev, id), constraint proposed_day_aud_rev foreign key (rev) references revision (id)
);

-- What was said at a take-in about when the head is ready, to be held against what it really took.
create table ready_said (
  id uuid primary key, said_at datetime(6) not null, reckoned_minutes int not null, ready_by datetime(6) not null, cases int not null,
  constraint ready_said_visit foreign key (id) references visit (id)
);
