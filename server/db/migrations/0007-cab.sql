-- The code by which one phone may be linked to a job's cab; gone when the job is filed.
create table cab_code (
  job_id text primary key references job (id),
  code text not null unique,
  made_at timestamptz not null default now()
);

-- The phone that holds a cab: only a hash of what its browser holds. One phone for a job.
create table cab_phone (
  job_id text primary key references job (id),
  token_hash text not null unique,
  since timestamptz not null default now()
);
