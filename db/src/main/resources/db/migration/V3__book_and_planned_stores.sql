-- What a holding's things cost and the media that only it has; one document, edited as a whole.
CREATE TABLE holding_book (
  holding_id uuid PRIMARY KEY REFERENCES holding ON DELETE CASCADE,
  book       jsonb NOT NULL,
  version    integer NOT NULL DEFAULT 1,
  updated_at timestamptz NOT NULL
);

-- A planned store is drawn, appraised and built from, and counts in no night and no balance.
ALTER TABLE heat_store ADD COLUMN planned boolean NOT NULL DEFAULT false;
