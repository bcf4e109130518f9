-- What came off a machine, or was laid into it, and how it came back.
create table off_part (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  kind varchar(20) not null,
  name varchar(120) not null,
  channel varchar(3),
  count integer not null,
  note varchar(500) not null,
  off_at datetime(6) not null,
  off_by varchar(120) not null,
  back_count integer,
  light bit,
  menu bit,
  stays bit not null,
  back_note varchar(500) not null,
  back_at datetime(6),
  back_by varchar(120),
  withdrawn bit not null,
  constraint off_part_visit foreign key (visit_id) references visit (id)
);
create table off_part_photo (
  part_id uuid primary key,
  media_type varchar(60) not null,
  picture longblob not null,
  constraint off_part_photo_part foreign key (part_id) references off_part (id)
);
create table off_part_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, kind varchar(20), name varchar(120), channel varchar(3),
  count integer, note varchar(500), off_at datetime(6), off_by varchar(120), back_count integer, light bit, menu bit, stays bit,
  back_note varchar(500), back_at datetime(6), back_by varchar(120), withdrawn bit,
  primary key (rev, id), index off_part_aud_visit (visit_id), constraint off_part_aud_rev foreign key (rev) references revision (id)
);

-- What was entered of the bill, what the customer was told at the return, and why a return was taken back.
alter table visit add column bill longtext, add column told varchar(20), add column reopened_at datetime(6),
  add column reopened_by varchar(120), add column reopened_why varchar(2000);
alter table visit_aud add column bill longtext, add column told varchar(20), add column reopened_at datetime(6),
  add column reopened_by varchar(120), add column reopened_why varchar(2000);

-- The shop as it stands on paper, and the money it reckons in; one row.
create table shop (
  id integer primary key,
  version bigint not null,
  name varchar(120) not null,
  address varchar(500) not null,
  currency varchar(3) not null,
  changed_at datetime(6),
  changed_by varchar(120)
);
create table shop_aud (
  id integer not null, rev bigint not null, revtype tinyint, name varchar(120), address varchar(500), currency varchar(3),
  changed_at datetime(6), changed_by varchar(120),
  primary key (rev, id), constraint shop_aud_rev foreign key (rev) references revision (id)
);
