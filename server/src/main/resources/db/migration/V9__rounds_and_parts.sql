-- Strokes may have a key, a time, a method of their own and more that was seen (version 4); what was logged reads as it was.
update attempt set record_version = 4 where record_version = 3;
update attempt_aud set record_version = 4 where record_version = 3;

-- What was noted of work besides: answers to what its method asks, parts done with it, turns of a rinse. Null for nothing.
alter table attempt add column noted longtext;
alter table attempt_aud add column noted longtext;
