@NullMarked
package nightbank.server.alarm.internal;

import org.jspecify.annotations.NullMarked;
