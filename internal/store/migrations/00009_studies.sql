-- +goose Up
-- Studies compare muscle activity over setups and lifters; what was measured for them are captures.
create table studies (
    id         uuid primary key default gen_random_uuid(),
    coach_id   uuid not null references coaches (id),
    version    integer not null default 1 check (version > 0),
    name       text not null check (name <> ''),
    document   jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now(),
    deleted_at timestamptz
);
create index studies_of_coach on studies (coach_id, name, id) where deleted_at is null;
