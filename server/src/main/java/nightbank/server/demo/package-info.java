/** An invented holding's three weeks, loaded at the first start. */
@NullMarked
package nightbank.server.demo;

import org.jspecify.annotations.NullMarked;
