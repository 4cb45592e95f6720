-- +goose Up
-- Blocks are weeks with the same plan for one lifter; their documents hold copies of the setups.
create table blocks (
    id         uuid primary key default gen_random_uuid(),
    coach_id   uuid not null references coaches (id),
    lifter_id  uuid not null references lifters (id),
    version    integer not null default 1 check (version > 0),
    name       text not null check (name <> ''),
    document   jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now(),
    deleted_at timestamptz
);
create index blocks_of_coach on blocks (coach_id, name, id) where deleted_at is null;
create index blocks_of_lifter on blocks (lifter_id, updated_at desc) where deleted_at is null;

create table block_versions (
    block_id uuid not null references blocks (id),
    version  integer not null check (version > 0),
    document jsonb not null,
    saved_at timestamptz not null,
    primary key (block_id, version)
);
-- +goose StatementBegin
create function keep_block_version() returns trigger language plpgsql as $$
begin
    insert into block_versions (block_id, version, document, saved_at)
    values (new.id, new.version, new.document, new.updated_at)
    on conflict do nothing;
    return null;
end
$$;
-- +goose StatementEnd
create trigger blocks_keep_versions after insert or update of document on blocks
    for each row execute function keep_block_version();

-- Sessions are what was done on a day, merged from the phones that log them; each set is a row of its own, so that one more set writes
-- one more row. The ids are the phones'.
create table sessions (
    id         uuid primary key,
    coach_id   uuid not null references coaches (id),
    lifter_id  uuid not null references lifters (id),
    day        date not null,
    document   jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now()
);
create index sessions_of_lifter on sessions (lifter_id, day desc, id);
create index sessions_by_change on sessions (coach_id, updated_at);

create table session_sets (
    id         uuid primary key,
    session_id uuid not null references sessions (id),
    document   jsonb not null
);
create index sets_of_session on session_sets (session_id);
