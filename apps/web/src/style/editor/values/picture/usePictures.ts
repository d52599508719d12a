import { resolveAddress } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { pageQuery } from '../../../../api/queries';
import { siteAssetsQuery } from '../../../../assets/queries';
import { useCellSite } from '../../site-context';

/** A picture that a look of the site can name. */
export interface KnownPicture {
  readonly name: string;
  /** As CSS names it: a path, or a whole address where it lies elsewhere. */
  readonly address: string;
  readonly hash: string;
  /** In bytes. */
  readonly size: number;
  /** Of those that were uploaded here or made here. */
  readonly assetId: string | undefined;
}

/** Pictures that were uploaded for looks, and those that the page in hand has. */
export function usePictures(): {
  readonly own: readonly KnownPicture[];
  readonly ofPage: readonly KnownPicture[];
  readonly pageAddress: string;
} {
  const { siteId, component } = useCellSite();
  const page = useQuery(pageQuery(component.pageId));
  const assets = useQuery(siteAssetsQuery(siteId));
  const pageAddress = page.data?.version.address ?? '';
  const origin = pageAddress ? new URL(pageAddress).origin : '';
  const ofPage = (page.data?.version.assets ?? []).flatMap((asset): KnownPicture[] => {
    // What an address holds itself has no name to choose it by.
    if (!asset.contentType.startsWith('image/') || asset.address.startsWith('data:')) return [];
    const address = asset.address.startsWith(`${origin}/`) ? asset.address.slice(origin.length) : asset.address;
    const name = decodeURIComponent(asset.address.split(/[?#]/)[0]!.split('/').at(-1)!);
    return [{ name, address, hash: asset.hash, size: asset.size, assetId: undefined }];
  });
  const own = (assets.data ?? []).flatMap((asset): KnownPicture[] =>
    asset.picture
      ? [{ name: asset.name, address: asset.address, hash: asset.hash, size: asset.size, assetId: asset.id }]
      : [],
  );
  return { own, ofPage, pageAddress };
}

/** The picture that an address of a value leads to. */
export function usePicture(address: string): KnownPicture | undefined {
  const { own, ofPage, pageAddress } = usePictures();
  const absolute = resolveAddress(address, pageAddress);
  return [...own, ...ofPage].find((picture) => resolveAddress(picture.address, pageAddress) === absolute);
}
