/** What is taken where nobody says otherwise: every default with unit, range and source. */
package nightbank.core.usual;
