-- Weather hour by hour for a holding, from whatever told it; the newest word for an hour stays.
CREATE TABLE hourly_weather (
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  source     text NOT NULL CONSTRAINT hourly_weather_source CHECK (source IN ('FORECAST', 'FILE')),
  at         timestamptz NOT NULL,
  celsius    double precision NOT NULL CONSTRAINT hourly_weather_celsius CHECK (celsius BETWEEN -90 AND 60),
  wind       double precision CONSTRAINT hourly_weather_wind CHECK (wind BETWEEN 0 AND 100), -- m/s, absent when unknown
  cloud      double precision CONSTRAINT hourly_weather_cloud CHECK (cloud BETWEEN 0 AND 1), -- share covered, absent when unknown
  dew_point  double precision CONSTRAINT hourly_weather_dew CHECK (dew_point BETWEEN -90 AND 60), -- °C, absent when unknown
  known_at   timestamptz NOT NULL,
  PRIMARY KEY (holding_id, source, at)
);
