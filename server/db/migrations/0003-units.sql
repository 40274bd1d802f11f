-- Each person's own units; nothing where they take the shop's.
alter table person add column units jsonb;
