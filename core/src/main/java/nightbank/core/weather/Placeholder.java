package nightbank.core.weather;
class Placeholder {}
