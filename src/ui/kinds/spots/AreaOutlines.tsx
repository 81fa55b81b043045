import { type Area, cornersOf } from '@/core/kinds/spots/areas';

/** The areas of a picture, drawn over it for those who set them. */
export function AreaOutlines({ areas }: { areas: readonly Area[] }) {
  return (
    <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      {areas.map((area) => (
        <Outline key={area.id} area={area} />
      ))}
    </svg>
  );
}

function Outline({ area }: { area: Area }) {
  const { shape, x, y, width, height, right } = area;
  const className = right ? '' : 'wrong-area';
  if (shape === 'round') return <ellipse className={className} cx={x} cy={y} rx={width / 2} ry={height / 2} />;
  if (shape === 'rectangle')
    return <rect className={className} x={x - width / 2} y={y - height / 2} width={width} height={height} />;
  return (
    <polygon
      className={className}
      points={cornersOf(area)
        .map((corner) => `${corner.x},${corner.y}`)
        .join(' ')}
    />
  );
}
