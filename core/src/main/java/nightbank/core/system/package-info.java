/**
 * A place's parts, circuits, controls and doings through time: the one engine, for a charge, a
 * night, a week and a winter.
 */
package nightbank.core.system;
