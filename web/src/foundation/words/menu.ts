/** How every menu and its items look. */
export const MENU = 'z-50 min-w-48 border border-rule-strong bg-sheet py-1 text-[13px]'
export const MENU_ITEM = 'flex cursor-pointer items-center gap-2 px-3 py-2 outline-none data-highlighted:bg-wash'
