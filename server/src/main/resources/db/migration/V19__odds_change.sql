-- A row whenever what came of the attempts with a method became another: every server that keeps the odds counts them anew.
create table odds_change (
  id bigint not null auto_increment primary key,
  method varchar(20) not null
);
