/** Loggers that send by themselves, each with its token. */
package nightbank.server.device;
