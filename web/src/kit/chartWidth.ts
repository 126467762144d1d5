const TWO_COLUMNS_PX = 900;
const GAP_PX = 48;

/** How wide a chart is shown, alone or beside something, so that its labels are drawn at their true size. */
export const chartWidth = (pageWidth: number) =>
  pageWidth < TWO_COLUMNS_PX ? pageWidth : Math.floor((pageWidth - GAP_PX) / 2);
