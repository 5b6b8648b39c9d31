package nightbank.core.house;
class Placeholder {}
