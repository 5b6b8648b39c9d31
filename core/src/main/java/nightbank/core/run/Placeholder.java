package nightbank.core.run;
class Placeholder {}
