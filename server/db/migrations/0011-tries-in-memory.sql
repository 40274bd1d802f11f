-- Tries of a PIN are counted in memory, by person and place: somebody comes in also where nothing can be written.
alter table person drop column failed, drop column locked_until;
