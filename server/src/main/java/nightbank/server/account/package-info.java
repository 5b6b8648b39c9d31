/** Who asks: people, how they sign in, what they may do in which holding, their units. */
package nightbank.server.account;
