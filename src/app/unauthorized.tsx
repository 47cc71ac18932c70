'use client'
import { useEffect } from 'react'
import { useGo } from '@/ui/common/going'

/** In the place of a page that nobody may see: the frame around it is made anew, and asks who works here. */
export default function Unauthorized() {
  const router = useGo()
  useEffect(() => router.refresh(), [router])
  return null
}
