-- Who works here.
create table app_user (
  id uuid primary key,
  name varchar(60) not null unique,
  display_name varchar(120) not null,
  password_hash varchar(200) not null,
  role varchar(20) not null,
  wrong_tries integer not null,
  locked_until datetime(6)
);

-- Sessions live in the database, so that several servers can stand behind one address (Spring Session's own tables).
create table SPRING_SESSION (
  primary_id char(36) not null primary key,
  session_id char(36) not null,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100),
  unique index spring_session_ix1 (session_id),
  index spring_session_ix2 (expiry_time),
  index spring_session_ix3 (principal_name)
);
create table SPRING_SESSION_ATTRIBUTES (
  session_primary_id char(36) not null,
  attribute_name varchar(200) not null,
  attribute_bytes blob not null,
  primary key (session_primary_id, attribute_name),
  constraint spring_session_attributes_fk foreign key (session_primary_id) references SPRING_SESSION (primary_id) on delete cascade
);

-- What is being typed and not yet sent.
create table draft (
  owner varchar(60) not null,
  draft_key varchar(120) not null,
  content longtext not null,
  edited_at datetime(6) not null,
  primary key (owner, draft_key)
);

create table family (
  code varchar(24) primary key,
  name varchar(120) not null,
  definition longtext not null
);

create table customer (
  id uuid primary key,
  version bigint not null,
  name varchar(200) not null,
  contact varchar(200) not null,
  index customer_name (name)
);

create table head (
  id uuid primary key,
  version bigint not null,
  serial varchar(80) not null unique,
  family_code varchar(24) not null,
  ever_non_food bit not null,
  constraint head_family foreign key (family_code) references family (code)
);

create table visit (
  id uuid primary key,
  version bigint not null,
  tag varchar(8) not null unique,
  head_id uuid not null,
  customer_id uuid not null,
  job_class varchar(20) not null,
  promised_on date,
  intake longtext not null,
  opened_at datetime(6) not null,
  opened_by varchar(120) not null,
  closed_at datetime(6),
  closed_by varchar(120),
  outcome varchar(30),
  outcome_reason varchar(2000),
  constraint visit_head foreign key (head_id) references head (id),
  constraint visit_customer foreign key (customer_id) references customer (id),
  index visit_open (closed_at, opened_at)
);

create table nozzle_check (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  taken_at datetime(6) not null,
  taken_by varchar(120) not null,
  reading longtext,
  not_possible varchar(500),
  note varchar(2000) not null,
  simulated bit not null,
  constraint nozzle_check_visit foreign key (visit_id) references visit (id)
);

create table diagnosis (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  cause varchar(30) not null,
  channels varchar(200) not null,
  speaks_for varchar(2000) not null,
  note varchar(2000) not null,
  dropped bit not null,
  made_at datetime(6) not null,
  made_by varchar(120) not null,
  constraint diagnosis_visit foreign key (visit_id) references visit (id)
);

create table fluid_lot (
  id uuid primary key,
  version bigint not null,
  name varchar(120) not null,
  kind varchar(30) not null,
  maker varchar(120) not null,
  lot_code varchar(60) not null,
  food_safe bit not null,
  opened_on date,
  expires_on date,
  bottle_ml decimal(10, 2) not null,
  remaining_ml decimal(10, 2) not null,
  price decimal(10, 2) not null,
  hazards varchar(500) not null,
  constraint fluid_lot_never_below_zero check (remaining_ml >= 0)
);

create table attempt (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  kind varchar(20) not null,
  details longtext not null,
  lot_id uuid,
  volume_ml decimal(10, 2) not null,
  started_at datetime(6) not null,
  started_by varchar(120) not null,
  ended_at datetime(6),
  note varchar(2000) not null,
  departure_reason varchar(2000),
  withdrawn_reason varchar(2000),
  constraint attempt_visit foreign key (visit_id) references visit (id),
  constraint attempt_lot foreign key (lot_id) references fluid_lot (id)
);

-- Every millilitre that left or came back to a lot; never changed, only added to.
create table lot_draw (
  id uuid primary key,
  lot_id uuid not null,
  attempt_id uuid not null,
  volume_ml decimal(10, 2) not null,
  drawn_at datetime(6) not null,
  drawn_by varchar(120) not null,
  constraint lot_draw_lot foreign key (lot_id) references fluid_lot (id),
  constraint lot_draw_attempt foreign key (attempt_id) references attempt (id)
);

create table step_clock (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  attempt_id uuid,
  kind varchar(20) not null,
  started_at datetime(6) not null,
  started_by varchar(120) not null,
  planned_seconds integer not null,
  stopped_at datetime(6),
  stopped_by varchar(120),
  note varchar(500) not null,
  constraint step_clock_visit foreign key (visit_id) references visit (id),
  constraint step_clock_attempt foreign key (attempt_id) references attempt (id),
  index step_clock_running (stopped_at)
);

-- Every change with who, when, before and after (Hibernate Envers).
create table revision (
  id bigint not null auto_increment primary key,
  changed_at bigint not null,
  changed_by varchar(120) not null
);
create table customer_aud (
  id uuid not null, rev bigint not null, revtype tinyint, name varchar(200), contact varchar(200),
  primary key (rev, id), constraint customer_aud_rev foreign key (rev) references revision (id)
);
create table head_aud (
  id uuid not null, rev bigint not null, revtype tinyint, serial varchar(80), family_code varchar(24), ever_non_food bit,
  primary key (rev, id), constraint head_aud_rev foreign key (rev) references revision (id)
);
create table visit_aud (
  id uuid not null, rev bigint not null, revtype tinyint, tag varchar(8), head_id uuid, customer_id uuid,
  job_class varchar(20), promised_on date, intake longtext, opened_at datetime(6), opened_by varchar(120),
  closed_at datetime(6), closed_by varchar(120), outcome varchar(30), outcome_reason varchar(2000),
  primary key (rev, id), constraint visit_aud_rev foreign key (rev) references revision (id)
);
create table nozzle_check_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, taken_at datetime(6), taken_by varchar(120),
  reading longtext, not_possible varchar(500), note varchar(2000), simulated bit,
  primary key (rev, id), index nozzle_check_aud_visit (visit_id), constraint nozzle_check_aud_rev foreign key (rev) references revision (id)
);
create table diagnosis_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, cause varchar(30), channels varchar(200),
  speaks_for varchar(2000), note varchar(2000), dropped bit, made_at datetime(6), made_by varchar(120),
  primary key (rev, id), index diagnosis_aud_visit (visit_id), constraint diagnosis_aud_rev foreign key (rev) references revision (id)
);
create table attempt_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, kind varchar(20), details longtext, lot_id uuid,
  volume_ml decimal(10, 2), started_at datetime(6), started_by varchar(120), ended_at datetime(6), note varchar(2000),
  departure_reason varchar(2000), withdrawn_reason varchar(2000),
  primary key (rev, id), index attempt_aud_visit (visit_id), constraint attempt_aud_rev foreign key (rev) references revision (id)
);
create table step_clock_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, attempt_id uuid, kind varchar(20),
  started_at datetime(6), started_by varchar(120), planned_seconds integer, stopped_at datetime(6), stopped_by varchar(120), note varchar(500),
  primary key (rev, id), index step_clock_aud_visit (visit_id), constraint step_clock_aud_rev foreign key (rev) references revision (id)
);
create table fluid_lot_aud (
  id uuid not null, rev bigint not null, revtype tinyint, name varchar(120), kind varchar(30), maker varchar(120),
  lot_code varchar(60), food_safe bit, opened_on date, expires_on date, bottle_ml decimal(10, 2), remaining_ml decimal(10, 2),
  price decimal(10, 2), hazards varchar(500),
  primary key (rev, id), constraint fluid_lot_aud_rev foreign key (rev) references revision (id)
);
