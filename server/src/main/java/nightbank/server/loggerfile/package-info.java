/** A logger's or a weather file: understood, put right, read in. */
package nightbank.server.loggerfile;
