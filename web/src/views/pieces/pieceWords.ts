/** Shown beside the layers: what a sanded or freshly poured layer can do to people. */
export const CARE_NOTE =
  "Sand wet, or with a dust mask; dust of resin that is not cured is worse. Gloves for every pour. The windows are the card's at this room; its data sheet comes first.";
