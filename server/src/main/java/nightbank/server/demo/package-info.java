/** An invented holding's three weeks, loaded at the first start. */
package nightbank.server.demo;
