/** Runs brought to the same start and compared. */
package nightbank.core.trial;
