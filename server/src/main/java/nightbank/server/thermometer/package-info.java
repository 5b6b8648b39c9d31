/** Thermometers that belong to a house or to the holding and to no store. */
@NullMarked
package nightbank.server.thermometer;

import org.jspecify.annotations.NullMarked;
