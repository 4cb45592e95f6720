-- +goose Up
-- Setups side by side. The document holds copies of them, so that a comparison stays what it was when one of them changes.
create table comparisons (
    id         uuid primary key default gen_random_uuid(),
    coach_id   uuid not null references coaches (id),
    version    integer not null default 1 check (version > 0),
    name       text not null check (name <> ''),
    document   jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now(),
    deleted_at timestamptz
);
create index comparisons_of_coach on comparisons (coach_id, name, id) where deleted_at is null;
