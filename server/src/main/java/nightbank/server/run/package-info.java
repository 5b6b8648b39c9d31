/** Runs and their judgement: what it rests on, gathered once, kept by fingerprint. */
@NullMarked
package nightbank.server.run;

import org.jspecify.annotations.NullMarked;
