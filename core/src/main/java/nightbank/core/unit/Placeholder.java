package nightbank.core.unit;
class Placeholder {}
