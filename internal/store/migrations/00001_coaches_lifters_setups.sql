-- +goose Up
create table coaches (
    id         uuid primary key default gen_random_uuid(),
    name       text not null,
    created_at timestamptz not null default now()
);

create table lifters (
    id         uuid primary key default gen_random_uuid(),
    coach_id   uuid not null references coaches (id),
    version    integer not null default 1 check (version > 0),
    name       text not null check (name <> ''),
    notes      text not null default '',
    body       jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now(),
    deleted_at timestamptz
);
create index lifters_of_coach on lifters (coach_id, name, id) where deleted_at is null;

create table setups (
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
create index setups_of_lifter on setups (coach_id, lifter_id, name, id) where deleted_at is null;
