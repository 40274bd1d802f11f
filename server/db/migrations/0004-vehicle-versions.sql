-- What a vehicle carries beside its file, and every version its file has had: a job keeps the one it began with.
alter table vehicle add column vin text not null default '';
alter table vehicle add column version integer not null default 1;

create table vehicle_version (
  vehicle_id text not null references vehicle (id),
  version integer not null,
  file json not null,
  saved_at timestamptz not null default now(),
  saved_by text not null default '',
  primary key (vehicle_id, version)
);
insert into vehicle_version (vehicle_id, version, file, saved_at) select id, 1, file, imported_at from vehicle;
