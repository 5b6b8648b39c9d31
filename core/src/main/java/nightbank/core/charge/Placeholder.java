package nightbank.core.charge;
class Placeholder {}
