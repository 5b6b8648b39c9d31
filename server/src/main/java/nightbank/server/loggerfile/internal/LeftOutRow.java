package nightbank.server.loggerfile.internal;

/** A row (part -1) or a cell left out, with its reason. */
record LeftOutRow(long line, int part, String reason, String cell) {}
