/** A broker of the grower's own: what sensors say there, and the advice of the hour. */
@NullMarked
package nightbank.server.broker;

import org.jspecify.annotations.NullMarked;
