-- Whether something stands open, set up or half done on the vehicle of a job: no other job of it goes on meanwhile.
alter table job add column stands boolean not null default false;

update job set stands = true where parked_at is not null and filed_at is null;

create index job_that_stands on job (vehicle_id) where stands;
