-- A vehicle as it was imported: `json` keeps the text of the file, so that what is exported is what came in.
create table vehicle (
  id text primary key,
  name text not null,
  kind text not null,
  plate text not null default '',
  file json not null,
  imported_at timestamptz not null default now()
);

-- What lists need of a job; everything else comes from its events.
create table job (
  id text primary key,
  vehicle_id text not null references vehicle (id),
  station text not null,
  outcome text,
  opened_at timestamptz not null,
  updated_at timestamptz not null,
  filed_at timestamptz
);
create index job_by_vehicle on job (vehicle_id, opened_at desc);
create index job_by_update on job (updated_at desc);

-- Append-only. `id` is made where the act happened, so that sending it twice records it once.
create table job_event (
  job_id text not null references job (id),
  seq integer not null,
  id text not null,
  type text not null,
  at_client timestamptz not null,
  at_server timestamptz not null default now(),
  body json not null,
  primary key (job_id, seq),
  unique (job_id, id)
);

create table setting (
  key text primary key,
  value json not null
);
