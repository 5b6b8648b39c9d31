/** Parameters of stores and houses found from evidence, with their doubt. */
package nightbank.core.fit;
