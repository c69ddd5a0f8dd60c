/** What rings on after a section's last bar, in seconds: as it is played, and as it is heard. */
export const RING_SECONDS = 3
