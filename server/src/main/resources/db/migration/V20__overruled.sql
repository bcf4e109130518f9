-- Which doubts stood against the outcome when a head was signed off, by name: read by who signed, and answered by a word.
alter table visit add column overruled varchar(300);
alter table visit_aud add column overruled varchar(300);
