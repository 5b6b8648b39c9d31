/** The home network: how phones reach the program. */
@NullMarked
package nightbank.server.home;

import org.jspecify.annotations.NullMarked;
