CREATE TABLE kept_states (
    id bigserial PRIMARY KEY,
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    revision bigint NOT NULL,
    name text NOT NULL,
    next integer NOT NULL,
    at timestamptz NOT NULL
);
CREATE INDEX kept_states_project ON kept_states (project_id, at);

CREATE TABLE kept_entities (
    state_id bigint NOT NULL REFERENCES kept_states ON DELETE CASCADE,
    kind integer NOT NULL,
    id bigint NOT NULL,
    map_id bigint NOT NULL,
    hash bytea NOT NULL REFERENCES blobs,
    PRIMARY KEY (state_id, kind, id)
);
CREATE INDEX kept_entities_hash ON kept_entities (hash);

CREATE TABLE kept_chunks (
    state_id bigint NOT NULL REFERENCES kept_states ON DELETE CASCADE,
    layer_id bigint NOT NULL,
    map_id bigint NOT NULL,
    x integer NOT NULL,
    y integer NOT NULL,
    hash bytea NOT NULL REFERENCES blobs,
    PRIMARY KEY (state_id, layer_id, x, y)
);
CREATE INDEX kept_chunks_hash ON kept_chunks (hash);
