/** Runs and their judgement: what it rests on, gathered once, kept by fingerprint. */
package nightbank.server.run;
