-- +goose Up
create table rooms (
    id         uuid primary key default gen_random_uuid(),
    coach_id   uuid not null references coaches (id),
    version    integer not null default 1 check (version > 0),
    name       text not null check (name <> ''),
    document   jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now(),
    deleted_at timestamptz
);
create index rooms_of_coach on rooms (coach_id, name, id) where deleted_at is null;

-- The room that a setup is fitted to. Its document names it too, so that it stands by itself.
alter table setups add column room_id uuid references rooms (id);
create index setups_of_coach on setups (coach_id, name, id) where deleted_at is null;
create index setups_of_room on setups (coach_id, room_id, name, id) where deleted_at is null;

-- Lifters who are not worked with at the moment stay, with all their setups.
alter table lifters add column archived_at timestamptz;
