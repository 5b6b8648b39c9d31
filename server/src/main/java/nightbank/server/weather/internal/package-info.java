/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.weather.internal;

import org.jspecify.annotations.NullMarked;
