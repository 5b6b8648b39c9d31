-- Who is warned of what, and when not; without a row nothing is watched.
CREATE TABLE alarm_book (
  holding_id uuid PRIMARY KEY REFERENCES holding ON DELETE CASCADE,
  version    integer NOT NULL DEFAULT 1,
  book       jsonb NOT NULL,
  look_at    timestamptz NOT NULL,  -- when it is looked at next
  nights_at  timestamptz NOT NULL   -- when its coming night is worked through next
);
CREATE INDEX alarm_book_by_look ON alarm_book (look_at);

-- Something that is wrong, from when it was seen until it is over; one at a time of a kind and subject.
CREATE TABLE alarm (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  kind       text NOT NULL,
  subject    text NOT NULL,         -- a house, probe, logger or store
  grade      integer NOT NULL,      -- how bad: grown worse, it is told as if it were new
  cannot_wait boolean NOT NULL,
  facts      jsonb NOT NULL,
  since      timestamptz NOT NULL,
  over_at    timestamptz,
  seen_at    timestamptz,           -- by a person
  seen_by    text,
  code       text NOT NULL,         -- in its messages: of use for saying that it was seen, and nothing else
  tell_at    timestamptz,           -- when it is told next
  told       integer NOT NULL DEFAULT 0
);
CREATE UNIQUE INDEX alarm_once ON alarm (holding_id, kind, subject) WHERE over_at IS NULL;
CREATE INDEX alarm_by_holding ON alarm (holding_id, since);
CREATE UNIQUE INDEX alarm_by_code ON alarm (code);
CREATE INDEX alarm_to_tell ON alarm (tell_at) WHERE tell_at IS NOT NULL;

-- Messages on their way: tried until they are taken, or for too long.
CREATE TABLE alarm_message (
  alarm_id  uuid NOT NULL REFERENCES alarm ON DELETE CASCADE,
  number    integer NOT NULL,
  recipient text NOT NULL,
  way       text NOT NULL CONSTRAINT alarm_message_way CHECK (way IN ('MAIL', 'HOOK')),
  sent_at   timestamptz,
  tries     integer NOT NULL DEFAULT 0,
  try_at    timestamptz,            -- absent once it is sent or given up
  problem   text NOT NULL DEFAULT '',
  PRIMARY KEY (alarm_id, number, recipient, way)
);
CREATE INDEX alarm_message_to_send ON alarm_message (try_at) WHERE try_at IS NOT NULL;
