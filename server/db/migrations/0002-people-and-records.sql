-- Who works here. The PIN is kept as an argon2id hash; wrong ones are counted, and every fifth locks for a while.
create table person (
  id text primary key,
  name text not null unique,
  pin_hash text not null,
  failed integer not null default 0,
  locked_until timestamptz,
  left_at timestamptz,
  added_at timestamptz not null default now()
);

-- Who is at which screen: only a hash of what the browser holds.
create table screen (
  token_hash text primary key,
  person_id text not null references person (id),
  since timestamptz not null
);

-- What a filed job looked like when it was filed, so that a later version of the program shows what was signed.
create table record (
  job_id text primary key references job (id),
  state json not null
);

alter table job add column bay text not null default '';
alter table job add column parked_at timestamptz;
