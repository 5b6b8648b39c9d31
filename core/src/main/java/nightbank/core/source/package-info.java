/** What makes heat: fires, flames, heaters, elements, the sun, heaps, heat pumps. */
package nightbank.core.source;
