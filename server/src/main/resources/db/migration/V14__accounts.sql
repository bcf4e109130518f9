-- Accounts of a shop of its own: one-time codes, locks by a lead, wrong tries by name and address, and who signed in when.
alter table app_user add column code_hash varchar(200);
alter table app_user add column code_until datetime(6);
alter table app_user add column locked bit not null default 0;
alter table app_user drop column wrong_tries;
alter table app_user drop column locked_until;

-- Wrong tries of one name from one address, and of all names from one address (name '').
create table sign_in_try (
  name varchar(60) not null,
  address varchar(60) not null,
  wrong integer not null,
  last_at datetime(6) not null,
  wait_until datetime(6),
  primary key (name, address),
  index sign_in_try_last (last_at)
);

create table sign_in_log (
  id bigint not null auto_increment primary key,
  at datetime(6) not null,
  name varchar(60) not null,
  address varchar(60) not null,
  what varchar(20) not null,
  by_whom varchar(120),
  index sign_in_log_at (at)
);
