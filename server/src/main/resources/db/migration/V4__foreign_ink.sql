-- Nozzles with another channel's ink, by channel, as the reader counted them on the scan; null when entered by hand.
alter table nozzle_check add column foreign_ink longtext null;
alter table nozzle_check_aud add column foreign_ink longtext null;
