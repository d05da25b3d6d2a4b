-- Which database this is: see identity.go.
CREATE TABLE installation (
    one boolean PRIMARY KEY DEFAULT true CHECK (one),
    mark text NOT NULL
);
INSERT INTO installation (mark) VALUES (gen_random_uuid()::text);

-- A project that was deleted stays for a while, to be brought back.
ALTER TABLE projects ADD COLUMN deleted_at timestamptz;
-- Up to this revision steps may be gone from the log.
ALTER TABLE projects ADD COLUMN shortened bigint NOT NULL DEFAULT 0;

-- Tile numbers that were given out for a picture of which no tileset was made yet.
CREATE TABLE tile_ranges (
    project_id bigint NOT NULL REFERENCES projects ON DELETE CASCADE,
    first integer NOT NULL,
    count integer NOT NULL,
    at timestamptz NOT NULL,
    PRIMARY KEY (project_id, first)
);
