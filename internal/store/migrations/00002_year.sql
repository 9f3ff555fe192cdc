-- +goose Up
-- A wish has a preparation for each form that is put up, and it has pins, a cover, a
-- wanted size and last year's story; the household has a shelf, patches, and
-- crops and preparations of its own.
-- The ids of the preparations, a space between them.
ALTER TABLE wish RENAME COLUMN preparation TO preparations;
ALTER TABLE wish ADD COLUMN cover TEXT NOT NULL DEFAULT '';
ALTER TABLE wish ADD COLUMN piece REAL NOT NULL DEFAULT 0;
ALTER TABLE wish ADD COLUMN story TEXT NOT NULL DEFAULT '';

CREATE TABLE wish_pin (
    wish_id  TEXT NOT NULL REFERENCES wish (id) ON DELETE CASCADE,
    position INTEGER NOT NULL,
    day      TEXT NOT NULL,
    source   TEXT NOT NULL,
    PRIMARY KEY (wish_id, position)
) STRICT;

CREATE TABLE lot (
    id          TEXT PRIMARY KEY,
    position    REAL NOT NULL,
    food        TEXT NOT NULL,
    form        TEXT NOT NULL,
    preparation TEXT NOT NULL,
    count       REAL NOT NULL,
    size        REAL NOT NULL,
    unit        TEXT NOT NULL,
    put_up      TEXT NOT NULL,
    keeps_until TEXT NOT NULL,
    store_id    TEXT NOT NULL,
    note        TEXT NOT NULL
) STRICT;

CREATE TABLE patch (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    crop     TEXT NOT NULL,
    plants   INTEGER NOT NULL,
    planted  INTEGER NOT NULL
) STRICT;

CREATE TABLE own_crop (
    id        TEXT PRIMARY KEY,
    position  REAL NOT NULL,
    from_crop TEXT NOT NULL,
    food      TEXT NOT NULL,
    name      TEXT NOT NULL
) STRICT;

CREATE TABLE own_preparation (
    id               TEXT PRIMARY KEY,
    position         REAL NOT NULL,
    from_preparation TEXT NOT NULL,
    name             TEXT NOT NULL,
    crops            TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE own_preparation;
DROP TABLE own_crop;
DROP TABLE patch;
DROP TABLE lot;
DROP TABLE wish_pin;
UPDATE wish SET preparations = substr(preparations, 1, instr(preparations || ' ', ' ') - 1);
ALTER TABLE wish RENAME COLUMN preparations TO preparation;
ALTER TABLE wish DROP COLUMN story;
ALTER TABLE wish DROP COLUMN piece;
ALTER TABLE wish DROP COLUMN cover;
