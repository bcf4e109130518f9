-- Where a head is, what lies under it, what got wet: entries of their own, withdrawn and never deleted.
create table head_entry (
  id uuid primary key,
  version bigint not null,
  visit_id uuid not null,
  entry varchar(20) not null,
  wet varchar(20),
  planned_minutes integer,
  note varchar(2000) not null,
  entered_at datetime(6) not null,
  entered_by varchar(120) not null,
  withdrawn bit not null,
  constraint head_entry_visit foreign key (visit_id) references visit (id)
);
create table head_entry_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, entry varchar(20), wet varchar(20), planned_minutes integer,
  note varchar(2000), entered_at datetime(6), entered_by varchar(120), withdrawn bit,
  primary key (rev, id), index head_entry_aud_visit (visit_id), constraint head_entry_aud_rev foreign key (rev) references revision (id)
);

-- Where work was done and how deep the head went; what was logged before knows neither, and nothing is asked of it.
alter table attempt add column site varchar(20), add column wet varchar(20);
alter table attempt_aud add column site varchar(20), add column wet varchar(20);
-- The record of a treatment may name syringe, force, temperature and suction; older ones name none.
update attempt set record_version = 3 where record_version = 2;

-- What was done, printed or looked at against a gate says which, and why.
alter table attempt add column against longtext;
alter table attempt_aud add column against longtext;
alter table nozzle_check add column against longtext, add column departure_reason varchar(2000);
alter table nozzle_check_aud add column against longtext, add column departure_reason varchar(2000);
alter table finding add column against longtext, add column departure_reason varchar(2000);
alter table finding_aud add column against longtext, add column departure_reason varchar(2000);

-- A port that says "drops only" says so as data.
update family set definition = regexp_replace(definition, '("port":"[^"]*drops only"(,"nozzles":[0-9]+)?)', '\\1,"fitting":"DROPS_ONLY"')
  where definition not like '%"fitting"%';
-- Limits that a lead set before say nothing about taking the head out: a lead is asked until they do.
update house_rules set definition = regexp_replace(definition, '("heatC":[0-9.]+)\\}', '\\1,"removable":"LEAD_ONLY","household":false}')
  where definition not like '%"removable"%';
