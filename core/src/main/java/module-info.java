/** The physics and the judgement: plain Java, SI units, °C; no framework, clock or I/O. */
module nightbank.core {
  requires transitive org.jspecify;
  requires hipparchus.core;
  requires hipparchus.optim;
  requires hipparchus.stat;
  requires org.shredzone.commons.suncalc;
  requires static io.soabase.recordbuilder.core;
  requires static java.compiler;

  exports nightbank.core.alarm;
  exports nightbank.core.caution;
  exports nightbank.core.forecast;
  exports nightbank.core.source;
  exports nightbank.core.system;
  exports nightbank.core.house;
  exports nightbank.core.medium;
  exports nightbank.core.judgement;
  exports nightbank.core.trial;
  exports nightbank.core.evidence;
  exports nightbank.core.fit;
  exports nightbank.core.practice;
  exports nightbank.core.retrofit;
  exports nightbank.core.sizing;
  exports nightbank.core.store;
  exports nightbank.core.store.model;
  exports nightbank.core.unit;
  exports nightbank.core.upkeep;
  exports nightbank.core.usual;
  exports nightbank.core.weather;
}
