package nightbank.core.night;
class Placeholder {}
