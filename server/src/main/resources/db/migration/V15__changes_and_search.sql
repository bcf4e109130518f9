-- How often something was logged on a visit: what is kept in memory of it holds while this stands.
alter table visit add column changes bigint not null default 0;

-- A serial or a tag is typed from its beginning or its end; both ends have an index.
alter table head add column serial_backwards varchar(80) as (reverse(serial)) persistent;
alter table visit add column tag_backwards varchar(8) as (reverse(tag)) persistent;
create index head_serial_backwards on head (serial_backwards);
create index visit_tag_backwards on visit (tag_backwards);
