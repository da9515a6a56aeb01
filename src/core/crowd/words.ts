/** Names and words of people who do not exist, for a house that is rehearsed with. */
export const inventedNames = [
  ...["Ada", "Bram", "Cleo", "Dunja", "Edda", "Falk", "Greta", "Hanno", "Ilka", "Jaro", "Kaya", "Lev"],
  ...["Mika", "Noor", "Orla", "Pavel", "Quinn", "Runa", "Selma", "Tarik", "Ursa", "Vito", "Wim", "Yara"],
];
export const inventedFamilyNames = [
  ...["Abend", "Brook", "Carrow", "Dell", "Elm", "Fielding", "Garth", "Holt", "Ince", "Jarrow", "Kell", "Larch"],
  ...["Moss", "Nye", "Oake", "Pell", "Rook", "Sedge", "Thorn", "Upham", "Vale", "Wick", "Yarrow", "Zell"],
];
export const inventedQuestions = [
  "Will there be a recording?",
  "Will this be recorded?",
  "Can the slides be shared afterwards?",
  "How long did this take you?",
  "What would you do differently?",
  "Where can we read more about this?",
  "Who paid for it?",
  "Could you repeat the last figure?",
  "Does this work in a smaller place too?",
  "What comes next?",
];
export const inventedLines = [
  "Good evening from the coast.",
  "The sound is fine here.",
  "A little quiet on my side.",
  "Thank you, that helps.",
  "Could you say that once more?",
  "I had the same question.",
  "Lovely picture.",
  "Is there a link to this?",
];
export const inventedWords = ["Clear", "clear", "Useful", "Fast", "useful", "Surprising", "Calm", "More please"];
