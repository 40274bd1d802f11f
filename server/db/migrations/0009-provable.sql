-- Each event's link in the chain of its job; rows of before are chained when they are brought forward.
alter table job_event add column link text;
create index job_event_unchained on job_event (job_id) where link is null;

-- The shop's logbook: a chain of signed entries. Append-only.
create table logbook_entry (
  seq integer primary key,
  job_id text references job (id),
  link text not null unique,
  entry json not null,
  signature text not null
);
create index logbook_entry_by_job on logbook_entry (job_id);
