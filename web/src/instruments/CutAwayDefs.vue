<template>
  <defs>
    <pattern id="ground" width="14" height="14" patternUnits="userSpaceOnUse">
      <path d="M0 14 L14 0" stroke="var(--soil)" stroke-width="1.4" />
    </pattern>
    <pattern id="bulk" width="9" height="9" patternUnits="userSpaceOnUse">
      <rect width="9" height="9" fill="var(--sheet)" />
      <path d="M0 5 q2.2 -5 4.5 0 t4.5 0" fill="none" stroke="var(--ink-soft)" />
    </pattern>
    <pattern id="wet" width="9" height="9" patternUnits="userSpaceOnUse">
      <rect width="9" height="9" fill="var(--frost-wash)" />
      <path d="M0 5 q2.2 -5 4.5 0 t4.5 0" fill="none" stroke="var(--frost)" />
    </pattern>
    <pattern id="gap" width="6" height="6" patternUnits="userSpaceOnUse">
      <rect width="6" height="6" fill="var(--paper)" />
      <path d="M0 0V6" stroke="var(--ink-soft)" stroke-dasharray="2 2" />
    </pattern>
    <pattern id="grain" width="12" height="12" patternUnits="userSpaceOnUse">
      <rect width="12" height="12" fill="var(--line-soft)" />
      <circle cx="3" cy="4" r="1" fill="var(--soil)" />
      <circle cx="9" cy="10" r="1" fill="var(--soil)" />
    </pattern>
    <pattern id="scorched" width="8" height="8" patternUnits="userSpaceOnUse">
      <path d="M0 0 L8 8 M8 0 L0 8" stroke="var(--lost)" stroke-width="1.6" />
    </pattern>
  </defs>
</template>
