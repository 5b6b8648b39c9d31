/** What goes out and comes in whole: a holding as one file, tables, a calendar. */
@NullMarked
package nightbank.server.export;

import org.jspecify.annotations.NullMarked;
