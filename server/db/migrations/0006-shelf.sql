-- What the shop buys; its own boiling points where its data sheet is at hand.
create table product (
  id text primary key,
  name text not null unique,
  spec text not null,
  dry_c double precision,
  wet_c double precision
);

-- One container each. `left_ml` is what its moves add up to, kept beside them so that it can be held above nothing.
create table container (
  code text primary key,
  product_id text not null references product (id),
  batch text not null default '',
  size_ml double precision not null check (size_ml > 0),
  left_ml double precision not null check (left_ml >= 0),
  opened_on date,
  price double precision,
  added_at timestamptz not null default now(),
  gone_on date
);

-- Append-only: every millilitre that came or went. `short_ml` was poured though by the book nothing was left.
create table container_move (
  seq bigint generated always as identity primary key,
  code text not null references container (code),
  what text not null,
  ml double precision not null,
  short_ml double precision not null default 0,
  job_id text references job (id),
  -- The event of the job that drew it, so that taking that one back gives back this very amount.
  event_id text,
  at timestamptz not null default now(),
  by_name text not null default ''
);
create index container_move_by_code on container_move (code);
create index container_move_by_job on container_move (job_id);

-- What a plan that was taken holds back, until its job is filed or planned anew.
create table reservation (
  job_id text not null references job (id),
  code text not null references container (code),
  ml double precision not null,
  primary key (job_id, code)
);

-- Used fluid by kind; what is handed over is below zero and empties the drum.
create table waste (
  seq bigint generated always as identity primary key,
  kind text not null,
  ml double precision not null,
  on_day date not null,
  job_id text references job (id),
  paper text not null default '',
  by_name text not null default ''
);
create index waste_by_kind on waste (kind, on_day);
