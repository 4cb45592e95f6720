-- +goose Up
-- Lifters and rooms keep their history as setups do.
create table lifter_versions (
    lifter_id uuid not null references lifters (id),
    version   integer not null check (version > 0),
    name      text not null,
    notes     text not null,
    body      jsonb not null,
    saved_at  timestamptz not null,
    primary key (lifter_id, version)
);
insert into lifter_versions (lifter_id, version, name, notes, body, saved_at)
select id, version, name, notes, body, updated_at from lifters;

create table room_versions (
    room_id  uuid not null references rooms (id),
    version  integer not null check (version > 0),
    document jsonb not null,
    saved_at timestamptz not null,
    primary key (room_id, version)
);
insert into room_versions (room_id, version, document, saved_at)
select id, version, document, updated_at from rooms;

-- +goose StatementBegin
create function keep_lifter_version() returns trigger language plpgsql as $$
begin
    insert into lifter_versions (lifter_id, version, name, notes, body, saved_at)
    values (new.id, new.version, new.name, new.notes, new.body, new.updated_at)
    on conflict do nothing;
    return null;
end
$$;
-- +goose StatementEnd
create trigger lifters_keep_versions after insert or update of name, notes, body on lifters
    for each row execute function keep_lifter_version();

-- +goose StatementBegin
create function keep_room_version() returns trigger language plpgsql as $$
begin
    insert into room_versions (room_id, version, document, saved_at)
    values (new.id, new.version, new.document, new.updated_at)
    on conflict do nothing;
    return null;
end
$$;
-- +goose StatementEnd
create trigger rooms_keep_versions after insert or update of document on rooms
    for each row execute function keep_room_version();

-- After a year one state a day is kept, the last of that day, and every one that has a title. The newest state always stays.
-- +goose StatementBegin
create function thin_history() returns bigint language plpgsql as $$
declare
    gone bigint := 0;
    n bigint;
begin
    delete from setup_versions v
    where v.saved_at < now() - interval '1 year' and v.title = ''
      and exists (select from setup_versions l where l.setup_id = v.setup_id and l.version > v.version
                  and l.saved_at::date = v.saved_at::date);
    get diagnostics n = row_count;
    gone := gone + n;
    delete from lifter_versions v
    where v.saved_at < now() - interval '1 year'
      and exists (select from lifter_versions l where l.lifter_id = v.lifter_id and l.version > v.version
                  and l.saved_at::date = v.saved_at::date);
    get diagnostics n = row_count;
    gone := gone + n;
    delete from room_versions v
    where v.saved_at < now() - interval '1 year'
      and exists (select from room_versions l where l.room_id = v.room_id and l.version > v.version
                  and l.saved_at::date = v.saved_at::date);
    get diagnostics n = row_count;
    return gone + n;
end
$$;
-- +goose StatementEnd
