-- A plan that somebody changed, as JSON with its time; null while it goes by the rules.
alter table visit add column plan longtext;
alter table visit_aud add column plan longtext;

-- How thick a fluid is against water; null while nobody knows.
alter table fluid_lot add column viscosity_factor decimal(6, 3);
alter table fluid_lot_aud add column viscosity_factor decimal(6, 3);

-- Units that a person wants to see, as JSON; null for those of the shop.
alter table app_user add column units varchar(200);
