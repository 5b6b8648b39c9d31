-- What the side and what top and foot let out is told apart from the readings: all days anew.
DELETE FROM ledger_day;
