-- Everybody mixes units in their own way; data stay SI.
ALTER TABLE person
  ADD COLUMN energy_unit text NOT NULL DEFAULT 'KWH' CHECK (energy_unit IN ('KWH', 'MJ', 'BTU')),
  ADD COLUMN power_unit text NOT NULL DEFAULT 'W' CHECK (power_unit IN ('W', 'BTU_H')),
  ADD COLUMN mass_unit text NOT NULL DEFAULT 'KG' CHECK (mass_unit IN ('KG', 'LB')),
  ADD COLUMN volume_unit text NOT NULL DEFAULT 'L' CHECK (volume_unit IN ('L', 'US_GAL', 'IMP_GAL')),
  ADD COLUMN length_unit text NOT NULL DEFAULT 'M' CHECK (length_unit IN ('M', 'FT')),
  ADD COLUMN insulation text NOT NULL DEFAULT 'U' CHECK (insulation IN ('U', 'R'));
