/** Whether all is well with the program itself. */
@NullMarked
package nightbank.server.health;

import org.jspecify.annotations.NullMarked;
