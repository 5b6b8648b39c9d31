package nightbank.server.alarm;

/**
 * Something that is wrong now.
 *
 * @param subject what it is of: of a kind and a subject there is one at a time
 * @param grade 1, or more where it is worse
 * @param cannotWait whether somebody is to be woken
 */
record Trouble(AlarmKind kind, String subject, int grade, boolean cannotWait, AlarmFacts facts) {}
