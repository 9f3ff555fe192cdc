-- +goose Up
-- Photographs, as they are shown and small. An entry names them by their ids, which are made of
-- what they hold, so that one that is sent twice is kept once. They are not in the journal.
CREATE TABLE photograph (
    id    TEXT PRIMARY KEY,
    sent  TEXT NOT NULL,
    body  BLOB NOT NULL,
    small BLOB NOT NULL
) STRICT;

-- The full-text index of entries goes by a number that a copy of the file does not change.
CREATE TABLE numbered_entry (
    number INTEGER PRIMARY KEY,
    id     TEXT NOT NULL UNIQUE,
    day    TEXT NOT NULL,
    act    TEXT NOT NULL,
    food   TEXT NOT NULL,
    lot    TEXT NOT NULL,
    body   TEXT NOT NULL
) STRICT;
INSERT INTO numbered_entry (id, day, act, food, lot, body) SELECT id, day, act, food, lot, body FROM entry ORDER BY day, id;
DROP TABLE entry;
ALTER TABLE numbered_entry RENAME TO entry;
CREATE INDEX entry_day ON entry (day, id);

CREATE VIRTUAL TABLE entry_words USING fts5(words, content='', contentless_delete=1, tokenize='porter unicode61 remove_diacritics 2');
CREATE VIRTUAL TABLE item_words USING fts5(kind UNINDEXED, id UNINDEXED, words, tokenize='porter unicode61 remove_diacritics 2');

-- The words of an entry: what people call its act, and all that was written in it. Beds, lots and
-- kinds stand by their ids; who searches by a name asks for the ids that have it.
CREATE VIEW entry_text (number, words) AS
SELECT number, concat_ws(' ', CASE act
        WHEN 'harvest' THEN 'harvest harvested picked came in' WHEN 'bought' THEN 'bought came in' WHEN 'more' THEN 'more came in not weighed'
        WHEN 'put-up' THEN 'put up jars' WHEN 'draw' THEN 'draw taken took shelf' WHEN 'count' THEN 'count counted shelf' WHEN 'use' THEN 'went' ELSE act END,
    CASE body ->> '$.to' WHEN 'given' THEN 'given gave away' WHEN 'table' THEN 'table eaten' WHEN 'lost' THEN 'lost spoiled' ELSE body ->> '$.to' END,
    food, lot, body ->> '$.crop', body ->> '$.bed', body ->> '$.preparation', body ->> '$.reason', body ->> '$.pest', body ->> '$.note',
    iif(body ->> '$.lesson', 'lesson', NULL), iif(body ->> '$.photos' IS NULL, NULL, 'photograph photographs photo picture'))
FROM entry;

-- +goose StatementBegin
CREATE TRIGGER entry_added AFTER INSERT ON entry BEGIN
    INSERT INTO entry_words (rowid, words) SELECT number, words FROM entry_text WHERE number = new.number;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER entry_changed AFTER UPDATE ON entry BEGIN
    DELETE FROM entry_words WHERE rowid = old.number;
    INSERT INTO entry_words (rowid, words) SELECT number, words FROM entry_text WHERE number = new.number;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER entry_removed AFTER DELETE ON entry BEGIN
    DELETE FROM entry_words WHERE rowid = old.number;
END;
-- +goose StatementEnd

CREATE VIEW item_text (kind, id, words) AS
SELECT 'planting', id, concat_ws(' ', crop, body ->> '$.note', iif(body ->> '$.lost', 'lost', NULL),
    (SELECT group_concat(value ->> '$.cause', ' ') FROM json_each(body, '$.losses')),
    (SELECT group_concat(value ->> '$.what', ' ') FROM json_each(body, '$.done')))
FROM planting
UNION ALL
SELECT 'lot', id, concat_ws(' ', food, form, preparation, note) FROM lot;

-- +goose StatementBegin
CREATE TRIGGER planting_added AFTER INSERT ON planting BEGIN
    INSERT INTO item_words SELECT * FROM item_text WHERE kind = 'planting' AND id = new.id;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER planting_changed AFTER UPDATE ON planting BEGIN
    DELETE FROM item_words WHERE kind = 'planting' AND id = old.id;
    INSERT INTO item_words SELECT * FROM item_text WHERE kind = 'planting' AND id = new.id;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER planting_removed AFTER DELETE ON planting BEGIN
    DELETE FROM item_words WHERE kind = 'planting' AND id = old.id;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER lot_added AFTER INSERT ON lot BEGIN
    INSERT INTO item_words SELECT * FROM item_text WHERE kind = 'lot' AND id = new.id;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER lot_changed AFTER UPDATE ON lot BEGIN
    DELETE FROM item_words WHERE kind = 'lot' AND id = old.id;
    INSERT INTO item_words SELECT * FROM item_text WHERE kind = 'lot' AND id = new.id;
END;
-- +goose StatementEnd
-- +goose StatementBegin
CREATE TRIGGER lot_removed AFTER DELETE ON lot BEGIN
    DELETE FROM item_words WHERE kind = 'lot' AND id = old.id;
END;
-- +goose StatementEnd

-- What was there before.
INSERT INTO entry_words (rowid, words) SELECT number, words FROM entry_text;
INSERT INTO item_words SELECT * FROM item_text;

-- +goose Down
DROP TRIGGER entry_added;
DROP TRIGGER entry_changed;
DROP TRIGGER entry_removed;
DROP TRIGGER planting_added;
DROP TRIGGER planting_changed;
DROP TRIGGER planting_removed;
DROP TRIGGER lot_added;
DROP TRIGGER lot_changed;
DROP TRIGGER lot_removed;
DROP VIEW entry_text;
DROP VIEW item_text;
DROP TABLE entry_words;
DROP TABLE item_words;
DROP TABLE photograph;
