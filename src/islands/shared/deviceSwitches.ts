/** What is chosen for this browser alone, by the names it is remembered under. */
export const DEVICE_SWITCHES = { sounds: 'bench sounds', messages: 'bench messages' } as const;
