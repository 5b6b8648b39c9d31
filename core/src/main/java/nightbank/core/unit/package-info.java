/** Conversions and figures for the edges; inside all is SI and °C. */
package nightbank.core.unit;
