-- +goose Up
-- Setups that a coach wants to begin others with, for any lifter.
alter table setups add column ready boolean not null default false;
create index setups_ready on setups (coach_id, name, id) where ready and deleted_at is null;
