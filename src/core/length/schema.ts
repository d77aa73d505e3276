import { z } from "zod";
import { type Length, LONGEST } from "./length";

/** A length in whole nanometres as it crosses from page to server: never below nothing, never beyond any board. */
export const lengthSchema = z
  .number()
  .int()
  .min(0)
  .max(LONGEST)
  .transform((n) => n as Length);
/** A length that must be more than nothing. */
export const sizeSchema = z
  .number()
  .int()
  .min(1)
  .max(LONGEST)
  .transform((n) => n as Length);
