/**
 * A place's parts, circuits, controls and doings through time: the one engine, for a charge, a
 * night, a week and a winter.
 */
@NullMarked
package nightbank.core.system;

import org.jspecify.annotations.NullMarked;
