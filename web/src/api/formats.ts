/** Picture files that can be brought. */
export const PICTURES = "image/png,image/jpeg,image/webp,image/avif,image/svg+xml,.ora";
