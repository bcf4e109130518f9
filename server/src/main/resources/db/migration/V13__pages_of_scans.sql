-- A TIFF or PDF may have several pages; the one that was read is known.
alter table scan
  add column pages integer not null default 1,
  add column page integer not null default 1;
alter table scan_aud
  add column page integer;
