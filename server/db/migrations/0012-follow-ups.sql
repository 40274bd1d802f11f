-- What is looked at again after a vehicle has left, with what came of it. Jobs filed before have promised nothing.
create table follow_up (
  job_id text not null references job (id),
  kind text not null,
  vehicle_id text not null references vehicle (id),
  due_on date not null,
  done_on date,
  good boolean,
  primary key (job_id, kind)
);

create index follow_up_open on follow_up (due_on) where done_on is null;
