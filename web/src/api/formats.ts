/** Picture files that can be brought. */
export const PICTURES = "image/png,image/jpeg,image/webp,image/avif,image/svg+xml,.ora";
/** Clips that can be brought. */
export const CLIPS = "video/mp4,video/webm,video/quicktime,image/gif,.mkv";
