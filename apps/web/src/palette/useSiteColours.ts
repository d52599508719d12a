import { useQuery } from '@tanstack/react-query';
import { surveyEngine } from '../engine/engine';
import type { PaletteParts } from './own';

/** All colours of a site's own sheets, the most used first. */
export const useSiteColours = ({ at }: PaletteParts['pages']) =>
  useQuery({
    queryKey: ['surveyor', 'colours of site', at],
    enabled: at !== undefined,
    queryFn: () => surveyEngine().coloursOfSite(at!),
  });
