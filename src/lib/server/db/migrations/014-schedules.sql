-- A scheduling order is an event whose table sets fixed dates; hearings that it sets are events of
-- their own, and what it says of rules is an order over the book. Each names the table it came with.
ALTER TABLE event ADD COLUMN schedule_id TEXT REFERENCES event(id);
ALTER TABLE matter_order ADD COLUMN schedule_id TEXT REFERENCES event(id);
CREATE INDEX event_schedule ON event(schedule_id) WHERE schedule_id IS NOT NULL;
