-- +goose Up
-- Every saved state of a setup stays, so that a coach can go back to it. The database keeps them by itself: whatever
-- writes a setup, none is lost.
create table setup_versions (
    setup_id uuid not null references setups (id),
    version  integer not null check (version > 0),
    title    text not null default '',
    document jsonb not null,
    saved_at timestamptz not null,
    primary key (setup_id, version)
);

insert into setup_versions (setup_id, version, document, saved_at)
select id, version, document, updated_at from setups;

-- +goose StatementBegin
create function keep_setup_version() returns trigger language plpgsql as $$
begin
    insert into setup_versions (setup_id, version, document, saved_at)
    values (new.id, new.version, new.document, new.updated_at)
    on conflict do nothing;
    return null;
end
$$;
-- +goose StatementEnd

create trigger setups_keep_versions after insert or update of document on setups
    for each row execute function keep_setup_version();
