import { toast } from 'sonner';

/** Tells a person why something was not done. @param otherwise where the error has no sentence of its own */
export const say = (error: unknown, otherwise = 'This did not work.'): void => {
  toast.error(error instanceof Error ? error.message : otherwise);
};
