/** How wide a day of the plan is drawn; pixels. */
export const DAY_WIDE = 5;
