-- What a clock waits for when no logged work has it: drops on a port, a head that cools, fluid that warms, seals in a jar.
alter table step_clock add column waiting varchar(20), add column channel varchar(3);
alter table step_clock_aud add column waiting varchar(20), add column channel varchar(3);

-- Entered later than it was done: when it was typed. Null when it was logged as it happened.
alter table attempt add column entered_at datetime(6);
alter table attempt_aud add column entered_at datetime(6);
alter table nozzle_check add column entered_at datetime(6);
alter table nozzle_check_aud add column entered_at datetime(6);
