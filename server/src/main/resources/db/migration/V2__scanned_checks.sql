-- Where a printed check has its dashes: the starter layouts, and what leads lay out for other printers.
create table check_layout (
  id uuid primary key,
  version bigint not null,
  family_code varchar(24) not null,
  name varchar(120) not null,
  definition longtext not null,
  shipped bit not null,
  changed_at datetime(6) not null,
  changed_by varchar(120) not null,
  constraint check_layout_family foreign key (family_code) references family (code)
);
create table check_layout_aud (
  id uuid not null, rev bigint not null, revtype tinyint, family_code varchar(24), name varchar(120), definition longtext,
  shipped bit, changed_at datetime(6), changed_by varchar(120),
  primary key (rev, id), constraint check_layout_aud_rev foreign key (rev) references revision (id)
);

-- A scanned check of a visit and what the reader saw in it. Pictures stand apart, so that lists stay light.
create table scan (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  layout_id uuid not null,
  file_name varchar(200) not null,
  media_type varchar(60) not null,
  width_px integer not null,
  height_px integer not null,
  content_hash char(64) not null,
  by_hand longtext,
  result longtext not null,
  simulated bit not null,
  added_at datetime(6) not null,
  added_by varchar(120) not null,
  constraint scan_visit foreign key (visit_id) references visit (id),
  constraint scan_layout foreign key (layout_id) references check_layout (id)
);
create table scan_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, layout_id uuid, file_name varchar(200), by_hand longtext,
  simulated bit, added_at datetime(6), added_by varchar(120),
  primary key (rev, id), index scan_aud_visit (visit_id), constraint scan_aud_rev foreign key (rev) references revision (id)
);
create table scan_picture (
  scan_id uuid primary key,
  original longblob not null,
  sheet longblob,
  constraint scan_picture_scan foreign key (scan_id) references scan (id)
);

alter table nozzle_check
  add column scan_id uuid,
  add column read_as longtext,
  add column coarse longtext,
  add constraint nozzle_check_scan foreign key (scan_id) references scan (id);
alter table nozzle_check_aud
  add column scan_id uuid,
  add column read_as longtext,
  add column coarse longtext;

-- Heads of the demo that are not there: a stand-in answers for them.
create table stand_in (
  head_id uuid primary key,
  faults longtext not null,
  seed bigint not null,
  constraint stand_in_head foreign key (head_id) references head (id)
);
