-- A date that an order or an agreement moved by so many days keeps that count, beside the rule's.
ALTER TABLE deadline ADD COLUMN move_from TEXT;
ALTER TABLE deadline ADD COLUMN move_count TEXT CHECK ((move_count IS NULL) = (move_from IS NULL));
ALTER TABLE deadline ADD COLUMN move_trace TEXT CHECK ((move_trace IS NULL) = (move_from IS NULL));
