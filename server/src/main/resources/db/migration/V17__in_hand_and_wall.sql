-- Who has a head in hand, and the steps of its plan that are gone through one by one: a row for each visit at most, under its key.
create table in_hand (
  id uuid primary key, version bigint not null, visit_id uuid not null unique, person varchar(120), since datetime(6),
  taken_from varchar(120), run longtext,
  constraint in_hand_visit foreign key (visit_id) references visit (id)
);
create table in_hand_aud (
  id uuid not null, rev bigint not null, revtype tinyint, visit_id uuid, person varchar(120), since datetime(6),
  taken_from varchar(120), run longtext,
  primary key (rev, id), index in_hand_aud_visit (visit_id), constraint in_hand_aud_rev foreign key (rev) references revision (id)
);

-- Links that open the board on a wall: a long secret each, kept here hashed.
create table wall_link (
  id uuid primary key, name varchar(60) not null, token_hash varchar(64) not null unique, made_by varchar(120) not null,
  made_at datetime(6) not null, until_at datetime(6) not null, ended_at datetime(6)
);
