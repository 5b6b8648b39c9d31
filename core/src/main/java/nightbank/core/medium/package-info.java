/** What stores are filled and wrapped with: value, unit, range and source of every number. */
package nightbank.core.medium;
