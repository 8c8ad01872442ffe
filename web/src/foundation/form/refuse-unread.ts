import { useEffect } from 'react'

/**
 * No form is sent while one of its fields holds what cannot be read: nothing would be told of it, and what was there before
 * would be kept in its stead. The hands go to that field, which says what is wrong.
 */
export function useRefuseUnread(): void {
  useEffect(() => {
    const refuse = (event: Event) => {
      const form = event.target
      if (!(form instanceof HTMLFormElement)) return
      const unread = form.querySelector<HTMLElement>('[data-unread]')
      if (!unread) return
      event.preventDefault()
      event.stopPropagation()
      unread.focus()
      unread.scrollIntoView({ block: 'center' })
    }
    document.addEventListener('submit', refuse, true)
    return () => document.removeEventListener('submit', refuse, true)
  }, [])
}
