-- Files that long work has made, until the work is forgotten: any node hands them out.
CREATE TABLE job_part (
  job_id uuid NOT NULL REFERENCES job ON DELETE CASCADE,
  part   integer NOT NULL,
  bytes  bytea NOT NULL,
  PRIMARY KEY (job_id, part)
);
