-- The shop's time zone (for paper), hours, and the units of those who have chosen none.
alter table shop add column zone varchar(60), add column opens varchar(5), add column closes varchar(5),
  add column open_days varchar(80), add column units varchar(200);
alter table shop_aud add column zone varchar(60), add column opens varchar(5), add column closes varchar(5),
  add column open_days varchar(80), add column units varchar(200);

-- Tablets on which people change over by PIN: each has a long secret in a cookie, kept here hashed.
create table tablet (
  id uuid primary key,
  name varchar(60) not null,
  token_hash varchar(64) not null unique,
  trusted_by varchar(120) not null,
  trusted_at datetime(6) not null
);
alter table app_user add column pin_hash varchar(200);
alter table app_user add column pin_wrong integer not null default 0;
