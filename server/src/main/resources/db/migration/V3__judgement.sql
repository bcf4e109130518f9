-- What looks found; a finding is withdrawn, never deleted.
create table finding (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  sign varchar(40) not null,
  channel varchar(3),
  note varchar(2000) not null,
  found_at datetime(6) not null,
  found_by varchar(120) not null,
  withdrawn bit not null,
  constraint finding_visit foreign key (visit_id) references visit (id)
);
create table finding_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, sign varchar(40), channel varchar(3), note varchar(2000),
  found_at datetime(6), found_by varchar(120), withdrawn bit,
  primary key (rev, id), index finding_aud_visit (visit_id), constraint finding_aud_rev foreign key (rev) references revision (id)
);
create table finding_photo (
  finding_id uuid primary key,
  media_type varchar(60) not null,
  picture longblob not null,
  constraint finding_photo_finding foreign key (finding_id) references finding (id)
);

-- The shop's answers where practice divides, its priors, limits and rates: every change is a new book with who and why.
create table house_rules (
  id uuid primary key,
  number integer not null unique,
  definition longtext not null,
  why varchar(2000) not null,
  made_at datetime(6) not null,
  made_by varchar(120) not null
);

-- Something else was done than what was advised, and why.
create table departure (
  id uuid primary key,
  visit_id uuid not null,
  rule varchar(30) not null,
  advised varchar(60) not null,
  reason varchar(2000) not null,
  made_at datetime(6) not null,
  made_by varchar(120) not null,
  constraint departure_visit foreign key (visit_id) references visit (id)
);

-- What came of each judged attempt: the shop's own record, from which odds are made.
create table attempt_result (
  attempt_id uuid primary key,
  visit_id uuid not null,
  family_code varchar(24) not null,
  ink varchar(30) not null,
  method varchar(20) not null,
  number integer not null,
  accepted bit not null,
  -- Holds all that the odds ask for, so that the rows themselves are not read.
  index attempt_result_cell (method, family_code, ink, number, accepted, visit_id),
  index attempt_result_visit (visit_id),
  constraint attempt_result_visit_key foreign key (visit_id) references visit (id)
);

alter table visit
  add column house_rules integer,
  add column worth longtext;
alter table visit_aud
  add column house_rules integer,
  add column worth longtext;
