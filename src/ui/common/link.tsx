'use client'
import NextLink from 'next/link'
import { useContext, type ComponentProps } from 'react'
import { crosses, InPractice, useHere } from './going'

type Props = Omit<ComponentProps<'a'>, 'href'> & { readonly href: string }

/** A link to a page of the shop that one is in. */
export default function Link({ href, ...rest }: Props) {
  const inside = useContext(InPractice)
  const to = useHere()(href)
  return crosses(inside, to) ? <a href={to} {...rest} /> : <NextLink href={to} {...rest} />
}

/** A link to a file of the shop that one is in. */
export function FileLink({ href, ...rest }: Props) {
  return <a href={useHere()(href)} {...rest} />
}

/** A picture that the server draws. */
export function ServedPicture({ src, alt, ...rest }: Omit<ComponentProps<'img'>, 'src'> & { readonly src: string }) {
  // eslint-disable-next-line @next/next/no-img-element -- drawn by our own routes
  return <img src={useHere()(src)} alt={alt} {...rest} />
}
