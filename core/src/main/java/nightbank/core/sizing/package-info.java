/** How much of what holds a hard night or a winter, and both sides of where people disagree. */
package nightbank.core.sizing;
