/** How somebody is called where there is little room: by their first name; "the heron" is a heron. */
export const shortly = (name: string) => {
  const [first, second] = name.split(" ");
  return first!.toLowerCase() === "the" && second ? second : first!;
};
