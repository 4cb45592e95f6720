-- +goose Up
-- Captures are what was measured on a day, with what it came to; their files hold the samples as they were recorded, compressed by whoever
-- sends them, and are never written again.
create table captures (
    id         uuid primary key,
    coach_id   uuid not null references coaches (id),
    lifter_id  uuid not null references lifters (id),
    setup_id   uuid references setups (id),
    day        date not null,
    document   jsonb not null,
    created_at timestamptz not null default now(),
    deleted_at timestamptz
);
create index captures_of_lifter on captures (lifter_id, day desc, id) where deleted_at is null;

create table capture_files (
    capture_id uuid not null references captures (id),
    slot       text not null check (slot <> ''),
    name       text not null,
    bytes      bytea not null,
    primary key (capture_id, slot)
);
alter table capture_files alter column bytes set storage external;
