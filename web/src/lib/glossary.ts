// The words of the program, each explained once: for the help page and for what is found by a word.
export interface Term {
  word: string
  means: string
}

export const glossary: Term[] = [
  { word: 'Wish', means: 'A food you want, with an amount: “carrots 2x week”, “35 qt tomato sauce”.' },
  { word: 'Fed', means: 'A week with enough of a food. “1 118 of 1 293 weeks fed” adds up all wishes.' },
  { word: 'Gap', means: 'A week in which you want a food and there is not enough of it.' },
  { word: 'While it lasts', means: 'You want it only in the weeks when it is fresh. No other week counts as a gap.' },
  { word: 'Harvest needed', means: 'The weight to pick so that your wish is met, with losses in storage and kitchen.' },
  {
    word: 'Expected harvest',
    means: 'What the plants give: in a bad year (1 in 10), an average year, a good year (1 in 10).',
  },
  {
    word: 'Left over, too few',
    means: 'What an average year gives beyond the harvest needed, or how much is missing.',
  },
  { word: 'Enough in 8 years of 10', means: 'How sure a wish is. More plants make it surer and take more bed space.' },
  { word: 'Variety', means: 'Which sort of a food is grown, such as a paste tomato for sauce.' },
  { word: 'Sowing', means: 'One crop started on one day. A food that is sown again and again has several.' },
  { word: 'Young plant', means: 'A plant that grew indoors or was bought, before it is planted out into the bed.' },
  { word: 'Harden off', means: 'Get young plants used to wind and sun, some days before they are planted out.' },
  { word: 'Spot', means: 'A place in the bed where seed goes; thinned to one plant.' },
  {
    word: 'Days to harvest',
    means: 'The days on a seed packet. Warm weather shortens them, short cool days stretch them.',
  },
  { word: 'Degree-days', means: 'Warmth added up day by day. A crop is ready when it has had enough of it.' },
  {
    word: 'Usual last frost, usual first frost',
    means: 'The dates that half of all years are earlier than, and half later.',
  },
  {
    word: 'Bed space',
    means: 'Area of bed, without paths. A crop takes it from sowing or planting out until it is cleared.',
  },
  { word: 'No room', means: 'No bed has enough free space for a sowing at that time. What has no room feeds no week.' },
  {
    word: 'Rotation',
    means: 'Plant families rest some years before they return to a bed, against diseases in the soil.',
  },
  { word: 'Shares the bed', means: 'A quick crop grows between a slow one while that is small.' },
  { word: 'Fixed by you', means: 'A date, number or bed that you chose. The plan works around it.' },
  { word: 'Kept plan', means: 'The plan you decided to hold on to. Later changes then move as little as possible.' },
  { word: 'Overdue', means: 'Work that was planned for an earlier day and is not recorded.' },
  { word: 'Days behind', means: 'A crop is slower than planned.' },
  { word: 'Storage', means: 'Fresh food kept whole: in a cellar, a cool room, a loft.' },
  { word: 'Put up', means: 'Can (bottle), freeze, dry, pickle or ferment.' },
  { word: 'Batch', means: 'One cooking session: one load of the canner, the dryer or the pot.' },
  { word: 'On the shelf', means: 'What is in the house today: jars, boxes, bags.' },
  { word: 'Patch', means: 'Plants that stay for years, such as asparagus or berries.' },
  { word: 'Seedling shelf', means: 'Where trays stand while young plants grow indoors.' },
  { word: 'Usual figure, your figure', means: 'The number of the crop book, or the one you entered instead.' },
  {
    word: 'A typical year, this coming year',
    means: 'Every year alike; or the year ahead, starting with what is on the shelf.',
  },
]
