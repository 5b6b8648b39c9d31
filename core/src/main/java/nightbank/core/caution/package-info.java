/** What can hurt people or break things in a build: rules with condition, reason and remedy. */
package nightbank.core.caution;
