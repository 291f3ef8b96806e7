/** The icons in use, each by its own file: the package's list of all reads two thousand, at every build and in every test. */
export { default as ArrowDown } from 'lucide-react/icons/arrow-down';
export { default as ArrowUp } from 'lucide-react/icons/arrow-up';
export { default as ChevronDown } from 'lucide-react/icons/chevron-down';
export { default as ChevronUp } from 'lucide-react/icons/chevron-up';
export { default as GripVertical } from 'lucide-react/icons/grip-vertical';
export { default as Minus } from 'lucide-react/icons/minus';
export { default as Plus } from 'lucide-react/icons/plus';
export { default as Search } from 'lucide-react/icons/search';
export { default as Settings2 } from 'lucide-react/icons/settings-2';
export { default as TriangleAlert } from 'lucide-react/icons/triangle-alert';
export { default as X } from 'lucide-react/icons/x';
