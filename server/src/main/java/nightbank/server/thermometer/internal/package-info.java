@NullMarked
package nightbank.server.thermometer.internal;

import org.jspecify.annotations.NullMarked;
