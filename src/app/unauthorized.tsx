'use client'
import { useRouter } from 'next/navigation'
import { useEffect } from 'react'

/** In the place of a page that nobody may see: the frame around it is made anew, and asks who works here. */
export default function Unauthorized() {
  const router = useRouter()
  useEffect(() => router.refresh(), [router])
  return null
}
