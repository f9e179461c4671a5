/** Which of the first steps of a new workshop have been taken. */
export interface FirstSteps {
  people: boolean;
  stock: boolean;
  models: boolean;
}
