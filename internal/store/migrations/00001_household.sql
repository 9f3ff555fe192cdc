-- +goose Up
-- What a household says of itself. Nothing derived is stored.
CREATE TABLE household (
    id    INTEGER PRIMARY KEY CHECK (id = 1),
    name  TEXT NOT NULL,
    year  INTEGER NOT NULL,
    start TEXT NOT NULL,
    risk  TEXT NOT NULL
) STRICT;

CREATE TABLE place (
    id           INTEGER PRIMARY KEY CHECK (id = 1),
    name         TEXT NOT NULL,
    latitude     REAL NOT NULL,
    altitude     REAL NOT NULL,
    frost_free   INTEGER NOT NULL,
    last_frost   TEXT NOT NULL,
    first_frost  TEXT NOT NULL,
    frost_spread REAL NOT NULL
) STRICT;

CREATE TABLE place_month (
    month    INTEGER PRIMARY KEY CHECK (month BETWEEN 1 AND 12),
    mean_max REAL NOT NULL,
    mean_min REAL NOT NULL,
    rain     REAL NOT NULL
) STRICT;

CREATE TABLE member (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    name     TEXT NOT NULL,
    band     TEXT NOT NULL,
    appetite REAL
) STRICT;

CREATE TABLE member_away (
    member_id TEXT NOT NULL REFERENCES member (id) ON DELETE CASCADE,
    position  INTEGER NOT NULL,
    from_day  TEXT NOT NULL,
    to_day    TEXT NOT NULL,
    PRIMARY KEY (member_id, position)
) STRICT;

CREATE TABLE guest (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    name     TEXT NOT NULL,
    eaters   REAL NOT NULL,
    from_day TEXT NOT NULL,
    to_day   TEXT NOT NULL
) STRICT;

CREATE TABLE store (
    id          TEXT PRIMARY KEY,
    position    REAL NOT NULL,
    name        TEXT NOT NULL,
    temperature REAL NOT NULL,
    damp        INTEGER NOT NULL,
    room_kg     REAL NOT NULL
) STRICT;

CREATE TABLE wish (
    id              TEXT PRIMARY KEY,
    position        REAL NOT NULL,
    food            TEXT NOT NULL,
    kind            TEXT NOT NULL,
    preparation     TEXT NOT NULL,
    amount_kind     TEXT NOT NULL,
    number          REAL NOT NULL,
    portion         REAL NOT NULL,
    jar             REAL NOT NULL,
    season_kind     TEXT NOT NULL,
    from_month      INTEGER NOT NULL,
    to_month        INTEGER NOT NULL,
    priority        TEXT NOT NULL,
    confidence      REAL,
    left_on_shelf   REAL NOT NULL,
    stagger_kind    TEXT NOT NULL,
    stagger_days    INTEGER NOT NULL,
    stagger_sowings INTEGER NOT NULL,
    layout          TEXT NOT NULL,
    note            TEXT NOT NULL
) STRICT;

CREATE TABLE wish_form (
    wish_id  TEXT NOT NULL REFERENCES wish (id) ON DELETE CASCADE,
    position INTEGER NOT NULL,
    form     TEXT NOT NULL,
    PRIMARY KEY (wish_id, position)
) STRICT;

CREATE TABLE overrule (
    subject  TEXT NOT NULL,
    field    TEXT NOT NULL,
    position REAL NOT NULL,
    value    REAL NOT NULL,
    PRIMARY KEY (subject, field)
) STRICT;

-- Every edit, in order; rows are only ever added.
CREATE TABLE journal (
    revision    INTEGER PRIMARY KEY,
    at          TEXT NOT NULL,
    client      TEXT NOT NULL,
    edit        TEXT NOT NULL UNIQUE,
    kind        TEXT NOT NULL CHECK (kind IN ('edit', 'undo', 'redo')),
    of_revision INTEGER NOT NULL,
    command     TEXT NOT NULL,
    words       TEXT NOT NULL,
    changes     TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE journal;
DROP TABLE overrule;
DROP TABLE wish_form;
DROP TABLE wish;
DROP TABLE store;
DROP TABLE guest;
DROP TABLE member_away;
DROP TABLE member;
DROP TABLE place_month;
DROP TABLE place;
DROP TABLE household;
