-- +goose Up
-- How the spring edge is found and single crops are grown; sowings that were set
-- by hand or really made; the plan agreed to; the days of weather that have been.
ALTER TABLE household ADD COLUMN school TEXT NOT NULL DEFAULT '';
ALTER TABLE wish ADD COLUMN stagger_early INTEGER NOT NULL DEFAULT 0;

CREATE TABLE habit (
    crop       TEXT PRIMARY KEY,
    position   REAL NOT NULL,
    school     TEXT NOT NULL,
    way        TEXT NOT NULL,
    not_before TEXT NOT NULL,
    not_after  TEXT NOT NULL,
    day_length TEXT NOT NULL
) STRICT;

-- What was seen and done of a planting is one document: it is read and written
-- as a whole.
CREATE TABLE planting (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    crop     TEXT NOT NULL,
    day      TEXT NOT NULL,
    body     TEXT NOT NULL
) STRICT;

-- The figures of a plan as they were agreed to, which no later reckoning moves.
CREATE TABLE agreement (
    id   INTEGER PRIMARY KEY CHECK (id = 1),
    body TEXT NOT NULL
) STRICT;

CREATE TABLE weather_day (
    day  TEXT PRIMARY KEY,
    high REAL NOT NULL,
    low  REAL NOT NULL,
    rain REAL
) STRICT;

-- +goose Down
DROP TABLE weather_day;
DROP TABLE agreement;
DROP TABLE planting;
DROP TABLE habit;
ALTER TABLE wish DROP COLUMN stagger_early;
ALTER TABLE household DROP COLUMN school;
