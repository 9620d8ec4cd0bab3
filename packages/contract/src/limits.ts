/** Bounds of texts and numbers, shared by the schemas and the forms. */
export const FIELD = {
  name: { min: 1, max: 120 },
  aim: { max: 300 },
  note: { max: 2000 },
  email: { max: 254 },
  password: { min: 10, max: 200 },
  minutes: { min: 5, max: 120 },
  height: { min: 50, max: 250 },
  mass: { min: 20, max: 400 },
  sensation: { min: 0, max: 10 },
  holdSeconds: { max: 1800 },
} as const;
