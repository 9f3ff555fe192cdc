-- name: GetHousehold :many
SELECT * FROM household;

-- name: PutHousehold :exec
INSERT INTO household (id, name, year, start, risk, school, since, scale) VALUES (1, ?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET name = excluded.name, year = excluded.year, start = excluded.start, risk = excluded.risk, school = excluded.school, since = excluded.since, scale = excluded.scale;

-- name: DeleteHousehold :exec
DELETE FROM household;

-- name: GetPlace :many
SELECT * FROM place;

-- name: PutPlace :exec
INSERT INTO place (id, name, latitude, altitude, frost_free, last_frost, first_frost, frost_spread) VALUES (1, ?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET name = excluded.name, latitude = excluded.latitude, altitude = excluded.altitude,
    frost_free = excluded.frost_free, last_frost = excluded.last_frost, first_frost = excluded.first_frost, frost_spread = excluded.frost_spread;

-- name: DeletePlace :exec
DELETE FROM place;

-- name: ListPlaceMonths :many
SELECT * FROM place_month ORDER BY month;

-- name: PutPlaceMonth :exec
INSERT INTO place_month (month, mean_max, mean_min, rain) VALUES (?, ?, ?, ?)
ON CONFLICT (month) DO UPDATE SET mean_max = excluded.mean_max, mean_min = excluded.mean_min, rain = excluded.rain;

-- name: DeletePlaceMonths :exec
DELETE FROM place_month;

-- name: ListMembers :many
SELECT * FROM member ORDER BY position, id;

-- name: PutMember :exec
INSERT INTO member (id, position, name, band, appetite) VALUES (?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, name = excluded.name, band = excluded.band, appetite = excluded.appetite;

-- name: DeleteMember :exec
DELETE FROM member WHERE id = ?;

-- name: ListMemberAways :many
SELECT * FROM member_away ORDER BY member_id, position;

-- name: PutMemberAway :exec
INSERT INTO member_away (member_id, position, from_day, to_day) VALUES (?, ?, ?, ?);

-- name: DeleteMemberAways :exec
DELETE FROM member_away WHERE member_id = ?;

-- name: ListGuests :many
SELECT * FROM guest ORDER BY position, id;

-- name: PutGuest :exec
INSERT INTO guest (id, position, name, eaters, from_day, to_day) VALUES (?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, name = excluded.name, eaters = excluded.eaters,
    from_day = excluded.from_day, to_day = excluded.to_day;

-- name: DeleteGuest :exec
DELETE FROM guest WHERE id = ?;

-- name: ListStores :many
SELECT * FROM store ORDER BY position, id;

-- name: PutStore :exec
INSERT INTO store (id, position, name, temperature, damp, room_kg) VALUES (?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, name = excluded.name, temperature = excluded.temperature,
    damp = excluded.damp, room_kg = excluded.room_kg;

-- name: DeleteStore :exec
DELETE FROM store WHERE id = ?;

-- name: ListWishes :many
SELECT * FROM wish ORDER BY position, id;

-- name: PutWish :exec
INSERT INTO wish (id, position, food, kind, preparations, amount_kind, number, portion, jar, season_kind, from_month, to_month,
    priority, confidence, left_on_shelf, stagger_kind, stagger_days, stagger_sowings, stagger_early, layout, cover, piece, story, note, whom, also_months)
VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, food = excluded.food, kind = excluded.kind,
    preparations = excluded.preparations, amount_kind = excluded.amount_kind, number = excluded.number, portion = excluded.portion,
    jar = excluded.jar, season_kind = excluded.season_kind, from_month = excluded.from_month, to_month = excluded.to_month,
    priority = excluded.priority, confidence = excluded.confidence, left_on_shelf = excluded.left_on_shelf,
    stagger_kind = excluded.stagger_kind, stagger_days = excluded.stagger_days, stagger_sowings = excluded.stagger_sowings, stagger_early = excluded.stagger_early,
    layout = excluded.layout, cover = excluded.cover, piece = excluded.piece, story = excluded.story, note = excluded.note, whom = excluded.whom, also_months = excluded.also_months;

-- name: DeleteWish :exec
DELETE FROM wish WHERE id = ?;

-- name: ListWishForms :many
SELECT * FROM wish_form ORDER BY wish_id, position;

-- name: PutWishForm :exec
INSERT INTO wish_form (wish_id, position, form) VALUES (?, ?, ?);

-- name: DeleteWishForms :exec
DELETE FROM wish_form WHERE wish_id = ?;

-- name: ListWishPins :many
SELECT * FROM wish_pin ORDER BY wish_id, position;

-- name: PutWishPin :exec
INSERT INTO wish_pin (wish_id, position, day, source) VALUES (?, ?, ?, ?);

-- name: DeleteWishPins :exec
DELETE FROM wish_pin WHERE wish_id = ?;

-- name: ListLots :many
SELECT * FROM lot ORDER BY position, id;

-- name: PutLot :exec
INSERT INTO lot (id, position, food, form, preparation, count, size, unit, put_up, keeps_until, store_id, note)
VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, food = excluded.food, form = excluded.form, preparation = excluded.preparation,
    count = excluded.count, size = excluded.size, unit = excluded.unit, put_up = excluded.put_up, keeps_until = excluded.keeps_until,
    store_id = excluded.store_id, note = excluded.note;

-- name: DeleteLot :exec
DELETE FROM lot WHERE id = ?;

-- name: ListPatches :many
SELECT * FROM patch ORDER BY position, id;

-- name: PutPatch :exec
INSERT INTO patch (id, position, crop, plants, planted) VALUES (?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, crop = excluded.crop, plants = excluded.plants, planted = excluded.planted;

-- name: DeletePatch :exec
DELETE FROM patch WHERE id = ?;

-- name: ListOwnCrops :many
SELECT * FROM own_crop ORDER BY position, id;

-- name: PutOwnCrop :exec
INSERT INTO own_crop (id, position, from_crop, food, name) VALUES (?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, from_crop = excluded.from_crop, food = excluded.food, name = excluded.name;

-- name: DeleteOwnCrop :exec
DELETE FROM own_crop WHERE id = ?;

-- name: ListOwnPreparations :many
SELECT * FROM own_preparation ORDER BY position, id;

-- name: PutOwnPreparation :exec
INSERT INTO own_preparation (id, position, from_preparation, name, crops) VALUES (?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, from_preparation = excluded.from_preparation, name = excluded.name, crops = excluded.crops;

-- name: DeleteOwnPreparation :exec
DELETE FROM own_preparation WHERE id = ?;

-- name: ListOverrules :many
SELECT * FROM overrule ORDER BY position, subject, field;

-- name: PutOverrule :exec
INSERT INTO overrule (subject, field, position, value, choice, why) VALUES (?, ?, ?, ?, ?, ?)
ON CONFLICT (subject, field) DO UPDATE SET position = excluded.position, value = excluded.value, choice = excluded.choice, why = excluded.why;

-- name: DeleteOverrule :exec
DELETE FROM overrule WHERE subject = ? AND field = ?;

-- name: AddJournal :exec
INSERT INTO journal (revision, at, client, edit, kind, of_revision, command, words, changes) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?);

-- name: JournalStack :many
SELECT revision, edit, kind, of_revision, command, words FROM journal WHERE revision > ? ORDER BY revision;

-- name: JournalEntry :one
SELECT * FROM journal WHERE revision = ?;

-- name: JournalByEdit :many
SELECT revision FROM journal WHERE edit = ?;

-- name: JournalSince :many
SELECT revision, edit, changes FROM journal WHERE revision > ? ORDER BY revision;

-- name: ListHabits :many
SELECT * FROM habit ORDER BY position, crop;

-- name: PutHabit :exec
INSERT INTO habit (crop, position, school, way, not_before, not_after, day_length, crosses, in_one) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (crop) DO UPDATE SET position = excluded.position, school = excluded.school, way = excluded.way,
    not_before = excluded.not_before, not_after = excluded.not_after, day_length = excluded.day_length, crosses = excluded.crosses, in_one = excluded.in_one;

-- name: DeleteHabit :exec
DELETE FROM habit WHERE crop = ?;

-- name: ListPlantings :many
SELECT * FROM planting ORDER BY position, id;

-- name: PutPlanting :exec
INSERT INTO planting (id, position, crop, day, body) VALUES (?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, crop = excluded.crop, day = excluded.day, body = excluded.body;

-- name: DeletePlanting :exec
DELETE FROM planting WHERE id = ?;

-- name: GetAgreement :many
SELECT * FROM agreement;

-- name: PutAgreement :exec
INSERT INTO agreement (id, body) VALUES (1, ?)
ON CONFLICT (id) DO UPDATE SET body = excluded.body;

-- name: DeleteAgreement :exec
DELETE FROM agreement;

-- name: ListWeatherDays :many
SELECT * FROM weather_day ORDER BY day;

-- name: PutWeatherDay :exec
INSERT INTO weather_day (day, high, low, rain) VALUES (?, ?, ?, ?)
ON CONFLICT (day) DO UPDATE SET high = excluded.high, low = excluded.low, rain = excluded.rain;

-- name: DeleteWeatherDays :exec
DELETE FROM weather_day;

-- name: GetPlot :many
SELECT * FROM plot;

-- name: PutPlot :exec
INSERT INTO plot (id, body) VALUES (1, ?)
ON CONFLICT (id) DO UPDATE SET body = excluded.body;

-- name: DeletePlot :exec
DELETE FROM plot;

-- name: ListBeds :many
SELECT * FROM bed ORDER BY position, id;

-- name: PutBed :exec
INSERT INTO bed (id, position, body) VALUES (?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, body = excluded.body;

-- name: DeleteBed :exec
DELETE FROM bed WHERE id = ?;

-- name: ListPlacements :many
SELECT * FROM placement ORDER BY position, sowing;

-- name: PutPlacement :exec
INSERT INTO placement (sowing, position, bed, at, bend, stands, parts) VALUES (?, ?, ?, ?, ?, ?, ?)
ON CONFLICT (sowing) DO UPDATE SET position = excluded.position, bed = excluded.bed, at = excluded.at, bend = excluded.bend,
    stands = excluded.stands, parts = excluded.parts;

-- name: DeletePlacement :exec
DELETE FROM placement WHERE sowing = ?;

-- name: GetCustoms :many
SELECT body FROM customs;

-- name: PutCustoms :exec
INSERT INTO customs (id, body) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET body = excluded.body;

-- name: DeleteCustoms :exec
DELETE FROM customs;

-- name: GetSecret :one
SELECT value FROM secret WHERE name = ?;

-- name: ListEntries :many
SELECT body FROM entry ORDER BY day, id;

-- name: PutEntry :exec
INSERT INTO entry (id, day, act, food, lot, body) VALUES (?, ?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET day = excluded.day, act = excluded.act, food = excluded.food, lot = excluded.lot, body = excluded.body;

-- name: DeleteEntry :exec
DELETE FROM entry WHERE id = ?;

-- name: AddPhotograph :exec
INSERT INTO photograph (id, sent, body, small) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO NOTHING;

-- name: GetPhotograph :one
SELECT body FROM photograph WHERE id = ?;

-- name: GetSmallPhotograph :one
SELECT small FROM photograph WHERE id = ?;

-- name: ListPhotographs :many
SELECT id FROM photograph ORDER BY id;

-- name: RemoveUnusedPhotographs :exec
DELETE FROM photograph WHERE sent < ? AND id NOT IN (SELECT value FROM entry, json_each(entry.body, '$.photos'));

-- name: ListMeasures :many
SELECT * FROM measure ORDER BY position, id;

-- name: PutMeasure :exec
INSERT INTO measure (id, position, name, food, kg) VALUES (?, ?, ?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, name = excluded.name, food = excluded.food, kg = excluded.kg;

-- name: DeleteMeasure :exec
DELETE FROM measure WHERE id = ?;

-- name: ListPastYears :many
SELECT * FROM past_year ORDER BY id;

-- name: PutPastYear :exec
INSERT INTO past_year (id, position, body) VALUES (?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, body = excluded.body;

-- name: DeletePastYear :exec
DELETE FROM past_year WHERE id = ?;

-- name: ListCareSteps :many
SELECT * FROM care_step ORDER BY position, id;

-- name: PutCareStep :exec
INSERT INTO care_step (id, position, body) VALUES (?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, body = excluded.body;

-- name: DeleteCareStep :exec
DELETE FROM care_step WHERE id = ?;

-- name: ListChores :many
SELECT * FROM chore ORDER BY position, id;

-- name: PutChore :exec
INSERT INTO chore (id, position, body) VALUES (?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, body = excluded.body;

-- name: DeleteChore :exec
DELETE FROM chore WHERE id = ?;

-- name: ListSightings :many
SELECT * FROM sighting ORDER BY position, id;

-- name: PutSighting :exec
INSERT INTO sighting (id, position, body) VALUES (?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, body = excluded.body;

-- name: DeleteSighting :exec
DELETE FROM sighting WHERE id = ?;

-- name: ListFurtherPlots :many
SELECT * FROM further_plot ORDER BY position, id;

-- name: PutFurtherPlot :exec
INSERT INTO further_plot (id, position, body) VALUES (?, ?, ?)
ON CONFLICT (id) DO UPDATE SET position = excluded.position, body = excluded.body;

-- name: DeleteFurtherPlot :exec
DELETE FROM further_plot WHERE id = ?;

-- name: GetLearning :many
SELECT body FROM learning;

-- name: PutLearning :exec
INSERT INTO learning (id, body) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET body = excluded.body;

-- name: DeleteLearning :exec
DELETE FROM learning;
