import type { SlotPicture } from '@/core/content/document';

interface Props {
  picture: SlotPicture;
  onChange: (picture: SlotPicture) => void;
}

/** What the picture of a slot shows, for those who cannot see it. */
export function PictureNote({ picture, onChange }: Props) {
  return (
    <label className="d-block">
      What the picture shows
      <textarea
        className="form-control form-control-sm"
        rows={2}
        placeholder="For those who cannot see it; it gives nothing away"
        value={picture.description}
        maxLength={1000}
        onChange={(e) => onChange({ ...picture, description: e.target.value })}
      />
    </label>
  );
}
