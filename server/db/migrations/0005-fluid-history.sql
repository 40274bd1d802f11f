-- What each reading came to, for charts and forecasts. One that was taken on a job follows from its event and is
-- written with it; one that was written down later has no job.
create table fluid_reading (
  id text primary key,
  vehicle_id text not null references vehicle (id),
  job_id text references job (id),
  taken_on date not null,
  tester text not null,
  value double precision not null,
  place text not null,
  water_low double precision,
  water_pct double precision,
  water_high double precision,
  boiling_c double precision,
  copper_ppm double precision,
  by_name text not null default ''
);
create index fluid_reading_by_vehicle on fluid_reading (vehicle_id, taken_on);
create index fluid_reading_by_job on fluid_reading (job_id);

-- Days on which all of a vehicle's fluid was exchanged.
create table fluid_exchange (
  id text primary key,
  vehicle_id text not null references vehicle (id),
  job_id text references job (id),
  done_on date not null,
  km double precision,
  spec text not null,
  by_name text not null default ''
);
create index fluid_exchange_by_vehicle on fluid_exchange (vehicle_id, done_on);

create table odometer_reading (
  job_id text primary key references job (id),
  vehicle_id text not null references vehicle (id),
  read_on date not null,
  km double precision not null
);
create index odometer_by_vehicle on odometer_reading (vehicle_id, read_on);

insert into odometer_reading (job_id, vehicle_id, read_on, km)
select distinct on (e.job_id) e.job_id, job.vehicle_id, (e.at_client at time zone 'UTC')::date,
  (e.body->'checkIn'->>'odometerKm')::float
from job_event e join job on job.id = e.job_id
where e.type = 'checked-in' and e.body->'checkIn'->>'odometerKm' is not null
order by e.job_id, e.seq desc;

-- When a vehicle's fluid is due, worked out whenever anything it rests on is written, so that a list need not.
create table fluid_due (
  vehicle_id text primary key references vehicle (id),
  earliest date not null,
  likely date not null,
  latest date not null,
  rule text not null,
  basis text not null,
  limit_value double precision,
  worked_out_on date not null
);
create index fluid_due_by_day on fluid_due (likely);

-- What a vehicle is put through, the data sheet of the fluid that is in it, and a day that somebody set by hand.
alter table vehicle add column hard_use jsonb not null default '[]';
alter table vehicle add column product jsonb;
alter table vehicle add column promised_on date;
