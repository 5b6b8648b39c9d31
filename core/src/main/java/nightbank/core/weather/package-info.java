/** Outdoor air, sky, sun, wind and earth. */
package nightbank.core.weather;
