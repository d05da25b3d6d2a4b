CREATE SEQUENCE id_prefixes;

CREATE TABLE projects (
    id bigserial PRIMARY KEY,
    name text NOT NULL,
    revision bigint NOT NULL DEFAULT 0,
    next integer NOT NULL,
    next_tile integer NOT NULL,
    created_at timestamptz NOT NULL,
    changed_at timestamptz NOT NULL
);

CREATE TABLE sessions (
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    id bigint NOT NULL,
    sequence bigint NOT NULL DEFAULT 0,
    PRIMARY KEY (project_id, id)
);

CREATE TABLE log (
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    revision bigint NOT NULL,
    session bigint NOT NULL,
    sequence bigint NOT NULL,
    label text NOT NULL,
    undoes bigint NOT NULL,
    body bytea NOT NULL,
    inverse bytea NOT NULL,
    at timestamptz NOT NULL,
    PRIMARY KEY (project_id, revision)
);
CREATE UNIQUE INDEX log_sequence ON log (project_id, session, sequence);

CREATE TABLE blobs (
    hash bytea PRIMARY KEY,
    body bytea NOT NULL,
    created_at timestamptz NOT NULL
);

CREATE TABLE entities (
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    kind integer NOT NULL,
    id bigint NOT NULL,
    map_id bigint NOT NULL,
    name text NOT NULL,
    format integer NOT NULL,
    revision bigint NOT NULL,
    hash bytea NOT NULL REFERENCES blobs,
    PRIMARY KEY (project_id, kind, id)
);
CREATE INDEX entities_hash ON entities (hash);

CREATE TABLE chunks (
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    layer_id bigint NOT NULL,
    map_id bigint NOT NULL,
    x integer NOT NULL,
    y integer NOT NULL,
    hash bytea NOT NULL REFERENCES blobs,
    PRIMARY KEY (project_id, layer_id, x, y)
);
CREATE INDEX chunks_hash ON chunks (hash);

CREATE TABLE project_blobs (
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    hash bytea NOT NULL REFERENCES blobs,
    PRIMARY KEY (project_id, hash)
);
CREATE INDEX project_blobs_hash ON project_blobs (hash);
