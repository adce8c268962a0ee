-- The log of a copy is append-only: nothing that was drawn can be altered or removed, by anybody.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the log of a copy is append-only';
END $$;
--> statement-breakpoint
CREATE TRIGGER event_append_only BEFORE UPDATE OR DELETE ON "event" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER event_never_emptied BEFORE TRUNCATE ON "event" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
-- A page of a frozen version never changes: copies point to it.
CREATE FUNCTION refuse_frozen() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM worksheet_version WHERE id = COALESCE(NEW.version_id, OLD.version_id) AND frozen_at IS NOT NULL) THEN
    RAISE EXCEPTION 'this version of the worksheet has been handed out';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER page_frozen BEFORE INSERT OR UPDATE OR DELETE ON worksheet_page FOR EACH ROW EXECUTE FUNCTION refuse_frozen();
--> statement-breakpoint
ALTER TABLE copy ADD CONSTRAINT copy_state_known CHECK (state IN ('waiting', 'working', 'handed in', 'handed back', 'another go'));
--> statement-breakpoint
ALTER TABLE event ADD CONSTRAINT event_layer_known CHECK (layer IN ('work', 'help', 'feedback'));
--> statement-breakpoint
-- Points are delta coded and vary: compression gains little and costs time at every stroke.
ALTER TABLE event ALTER COLUMN ink SET STORAGE EXTERNAL;
--> statement-breakpoint
ALTER TABLE file_chunk ALTER COLUMN bytes SET STORAGE EXTERNAL;
--> statement-breakpoint
-- Sessions (express-session through connect-pg-simple).
CREATE TABLE session (sid varchar PRIMARY KEY, sess json NOT NULL, expire timestamp(6) NOT NULL);
--> statement-breakpoint
CREATE INDEX session_expire ON session (expire);
--> statement-breakpoint
-- Failed sign-ins (rate-limiter-flexible).
CREATE TABLE rate_limit (key varchar(255) PRIMARY KEY, points integer NOT NULL DEFAULT 0, expire bigint);
--> statement-breakpoint
-- Live messages too large for a notification (Socket.IO's PostgreSQL adapter).
CREATE TABLE socket_io_attachments (id bigserial UNIQUE, created_at timestamptz DEFAULT now(), payload bytea);
