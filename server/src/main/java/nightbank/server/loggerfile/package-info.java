/** A logger's or a weather file: understood, put right, read in. */
@NullMarked
package nightbank.server.loggerfile;

import org.jspecify.annotations.NullMarked;
