-- +goose Up
-- Words that nobody can guess: the one in the calendar's address.
CREATE TABLE secret (name TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;
INSERT INTO secret (name, value) VALUES ('calendar', lower(hex(randomblob(16))));

-- +goose Down
DROP TABLE secret;
