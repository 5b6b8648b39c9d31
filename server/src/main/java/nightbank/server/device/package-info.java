/** Loggers that send by themselves, each with its token. */
@NullMarked
package nightbank.server.device;

import org.jspecify.annotations.NullMarked;
