/** The invented world of Brinewold Shore Trust. Nobody in it exists. */
export const organisation = {
  name: "Brinewold Shore Trust",
  about: "Volunteers who count shorebirds, ring them, and watch tides and the saltmarsh.",
  zone: "Europe/Lisbon",
  senderName: "Brinewold Shore Trust",
  senderEmail: "events@brinewold.example.org",
};
export const givenNames = ["Ines", "Tomas", "Wenna", "Oskar", "Leira", "Bastien", "Marit", "Joao", "Aoife", "Piet", "Sanna", "Rui", "Elke", "Nuno", "Hedda", "Callum", "Odile", "Yusra", "Dinis", "Frida", "Gwil", "Amaia", "Kofi", "Lotte", "Mirela", "Anselm", "Thora", "Vasco", "Zelie", "Brannoc"];
export const familyNames = ["Marl", "Sandwick", "Tarrow", "Vell", "Corrant", "Brakewell", "Ostrand", "Quill", "Fenmoor", "Saltren", "Duneholm", "Averley", "Kestrand", "Lowtide", "Merrin", "Pebblow", "Rushford", "Skerry", "Thrift", "Wadden"];
export const zones = ["Europe/Lisbon", "Europe/Madrid", "Europe/London", "Europe/Berlin", "America/New_York", "Africa/Accra", "Australia/Adelaide"];
export const questionTexts = [
  "How do you tell a juvenile dunlin from a sanderling in poor light?",
  "Does the new count method change the trend lines of past winters?",
  "What should we do when a flock lifts before the count is finished?",
  "Are the ringing permits still given by the regional office?",
  "How far inland does the saltmarsh reach at spring tide now?",
  "Can we share the tide tables with the school groups?",
  "Which optics do you lend to new volunteers?",
  "Is the drop in knots weather or something lasting?",
  "How many counters does a site need on a windy day?",
  "What happens to the sites that had no count this year?",
  "Do drones disturb the roosts more than walkers?",
  "When will the recording be published?",
];
export const segmentSets: Record<string, readonly [string, number][]> = {
  evening: [["Welcome from the shore", 5], ["What the winter counts say", 20], ["Question time", 10], ["Ringing on the mudflats", 15], ["Thanks and the next tide", 10]],
  clinic: [["Sites and tides of the week", 10], ["Counting together", 25], ["Hard flocks, worked through", 15], ["Open questions", 10]],
  training: [["Duties of a warden", 15], ["Disturbance and the law", 25], ["Practice cases", 30], ["Check of what stuck", 20]],
};
