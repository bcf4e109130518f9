-- Of an entry that was taken back: whether its fluid was poured all the same. Null while it stands, or drew none.
alter table attempt add column withdrawn_poured boolean;
alter table attempt_aud add column withdrawn_poured boolean;
