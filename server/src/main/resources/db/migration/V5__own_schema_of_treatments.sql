-- What a treatment recorded is kept in a schema of its own (version 2: the record of its kind alone), not as the web sent it.
alter table attempt
  change column details record longtext not null,
  add column record_version smallint not null default 2;
alter table attempt_aud
  change column details record longtext,
  add column record_version smallint;
update attempt set record = json_query(record, concat('$.', lower(kind)));
update attempt_aud set record = json_query(record, concat('$.', lower(kind))), record_version = 2 where record is not null;
alter table attempt alter column record_version drop default;

-- Why a hold runs: what got wet. It was the first word of the note.
alter table step_clock add column wet varchar(20);
alter table step_clock_aud add column wet varchar(20);
update step_clock set wet = substring_index(note, ' ', 1), note = trim(substr(note, length(substring_index(note, ' ', 1)) + 1))
  where kind = 'HOLD' and substring_index(note, ' ', 1) in ('BASE_ONLY', 'BODY', 'BOARD');
update step_clock_aud set wet = substring_index(note, ' ', 1), note = trim(substr(note, length(substring_index(note, ' ', 1)) + 1))
  where kind = 'HOLD' and substring_index(note, ' ', 1) in ('BASE_ONLY', 'BODY', 'BOARD');
