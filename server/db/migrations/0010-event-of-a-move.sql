-- Folders of the first weeks lack it: 0006 got it after it was released, which must not be done again.
alter table container_move add column if not exists event_id text;
