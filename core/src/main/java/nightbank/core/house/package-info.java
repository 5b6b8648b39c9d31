/** A greenhouse: its skin, ground, inner mass and plants, and its balance of heat and moisture. */
package nightbank.core.house;
