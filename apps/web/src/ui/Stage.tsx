/** The stage: the drawing of the core in the materials of the design. It decides nothing. */
import {
  angledTo,
  formatAngle,
  formatCm,
  formatInches,
  formatLength,
  formatRectangle,
  movedTo,
  type LengthUnit,
  type Mannequin2d,
  type Setup,
  type StageDrawing,
} from '@taktik/core';
import Svg, { Circle, G, Line, Path, Polygon, Rect, Text as SvgText } from 'react-native-svg';
import { View } from 'react-native';
import { useTheme } from './theme';
import { fonts } from './tokens';

type Props = {
  drawing: StageDrawing;
  mannequin: Mannequin2d;
  setup: Setup;
  unit: LengthUnit;
  width: number;
  height: number;
  /** Thumb-size: no words. */ small?: boolean;
};

const points = (list: readonly (readonly [number, number])[]): string =>
  list.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');

/** About as wide as the longest text of a shift, in pixels. */
const SHIFT_TEXT = 170;

export function Stage({ drawing, mannequin, setup, unit, width, height, small = false }: Props) {
  const theme = useTheme();
  const { box } = drawing;
  // One screen pixel in millimetres of the drawing.
  const px = box.width / width;
  const side = drawing.look !== 'ray';
  const words = describe(setup, unit, side);
  const lineWidth = (small ? 1 : 2) * px;
  // A thumb is read by its outline alone.
  const edge = small ? theme.inkSoft : theme.skinEdge;
  const clampX = (x: number, room: number) => Math.min(Math.max(x, box.x + 8 * px), box.x + box.width - room * px);
  const vertical = setup.tube.beam === 'vertical';
  const name = (
    text: string,
    x: number,
    y: number,
    color: string,
    size: number,
    anchor: 'start' | 'end' | 'middle' = 'start',
    bold = false,
  ) => (
    <SvgText
      x={x}
      y={y}
      fill={color}
      fontSize={size * px}
      textAnchor={anchor}
      fontFamily={bold ? fonts.figure : fonts.label}
    >
      {text}
    </SvgText>
  );
  const [fx, fy] = drawing.focal;
  const [hx, hy] = drawing.hit;
  const [sx] = drawing.straightHit;
  const shiftText = setup.tube.receptorShiftToward
    ? `${formatLength(setup.tube.receptorShiftMm, unit)} ${movedTo(setup.tube.receptorShiftSays)}`
    : '';
  // Beside the arrow where there is room, else under it from the edge of the picture.
  const shiftAt =
    Math.max(sx, hx) + SHIFT_TEXT * px < box.x + box.width
      ? { x: Math.max(sx, hx) + 9 * px, down: 17, anchor: 'start' as const }
      : Math.min(sx, hx) - SHIFT_TEXT * px > box.x
        ? { x: Math.min(sx, hx) - 9 * px, down: 17, anchor: 'end' as const }
        : { x: box.x + 8 * px, down: 34, anchor: 'start' as const };
  const sidText = `SID ${formatLength(setup.tube.sidMm, unit)}`;
  const heightText = `${formatLength(setup.tube.heightMm, unit)} above ${setup.tube.heightOver}`;

  return (
    <View role="img" aria-label={words} style={{ width, height, backgroundColor: theme.surface, overflow: 'hidden' }}>
      <Svg width={width} height={height} viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`} aria-hidden>
        {drawing.surface && (
          <Line
            x1={drawing.surface[0][0]}
            y1={drawing.surface[0][1]}
            x2={drawing.surface[1][0]}
            y2={drawing.surface[1][1]}
            stroke={theme.line}
            strokeWidth={5 * px}
          />
        )}
        {drawing.props.map((polygon, i) => (
          <Polygon key={i} points={points(polygon)} fill={theme.line} />
        ))}
        {drawing.wall && (
          <Line
            x1={drawing.wall[0][0]}
            y1={drawing.wall[0][1]}
            x2={drawing.wall[1][0]}
            y2={drawing.wall[1][1]}
            stroke={theme.line}
            strokeWidth={6 * px}
          />
        )}
        <Path
          d={mannequin.skin}
          fill={theme.skin}
          stroke={edge}
          strokeWidth={(small ? 0.9 : 1.3) * px}
          fillRule="evenodd"
        />
        <Path
          d={mannequin.inner}
          fill="none"
          stroke={edge}
          strokeWidth={(small ? 0.7 : 1.1) * px}
          strokeLinecap="round"
        />
        <Path
          d={mannequin.features}
          fill="none"
          stroke={edge}
          strokeWidth={(small ? 0.7 : 1.1) * px}
          strokeLinecap="round"
        />
        {!small && <Path d={mannequin.bones} fill={theme.bone} opacity={0.75} />}
        <Path d={mannequin.bright} fill={theme.bright} opacity={side ? 0.85 : 0.8} />
        {drawing.lightField.map((polygon, i) => (
          <Polygon
            key={i}
            points={points(polygon)}
            fill={theme.lampFill}
            opacity={theme.name === 'day' ? 0.3 : side ? 0.24 : 0.28}
          />
        ))}
        {drawing.receptor.map((polygon, i) => (
          <Polygon
            key={i}
            points={points(polygon)}
            fill={side ? theme.plate : 'none'}
            stroke={theme.plate}
            strokeWidth={(small ? 1 : 1.6) * px}
          />
        ))}
        {!small && (
          <G>
            {drawing.strips.map(([from, to], i) => (
              <Line
                key={i}
                x1={from[0]}
                y1={from[1]}
                x2={to[0]}
                y2={to[1]}
                stroke={theme.plate}
                strokeWidth={0.8 * px}
                opacity={0.4}
              />
            ))}
            {drawing.cutOff.map(({ polygon, loss }, i) => (
              <Polygon key={i} points={points(polygon)} fill={theme.ground} opacity={Math.min(0.8, loss)} />
            ))}
            {drawing.cells.map((polygon, i) => (
              <Polygon
                key={i}
                points={points(polygon)}
                fill="none"
                stroke={theme.plate}
                strokeWidth={1.6 * px}
                strokeDasharray={`${5 * px},${3 * px}`}
              />
            ))}
          </G>
        )}
        {side && (
          <G>
            <Polygon
              points={points(drawing.tubeHead)}
              fill={theme.raised}
              stroke={theme.inkSoft}
              strokeWidth={1.5 * px}
              strokeLinejoin="round"
            />
            <Polygon
              points={points(drawing.collimator)}
              fill={theme.raised}
              stroke={theme.inkSoft}
              strokeWidth={1.5 * px}
              strokeLinejoin="round"
            />
            <Line x1={fx} y1={fy} x2={hx} y2={hy} stroke={theme.lamp} strokeWidth={lineWidth} />
            <Circle cx={fx} cy={fy} r={3 * px} fill={theme.lamp} />
            <Circle cx={drawing.entry[0]} cy={drawing.entry[1]} r={(small ? 2 : 4.5) * px} fill={theme.lamp} />
          </G>
        )}
        {!side && !small && (
          <G>
            {drawing.lightField.map((polygon, i) => (
              <Ticks key={i} polygon={polygon} arm={14 * px} color={theme.lamp} width={2 * px} />
            ))}
            <Line
              x1={drawing.cross[0][0]}
              y1={drawing.cross[0][1]}
              x2={drawing.cross[1][0]}
              y2={drawing.cross[1][1]}
              stroke={theme.lamp}
              strokeWidth={1.4 * px}
            />
            <Line
              x1={drawing.cross[2][0]}
              y1={drawing.cross[2][1]}
              x2={drawing.cross[3][0]}
              y2={drawing.cross[3][1]}
              stroke={theme.lamp}
              strokeWidth={1.4 * px}
            />
            {drawing.touch
              .filter(({ at: [x, y] }) => x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height)
              .map(({ name: text, at: [x, y] }) => {
                const underMarker = drawing.markers.some(
                  ({ at: [mx, my] }) => Math.abs(y - my) < 18 * px && mx > x && mx - x < (text.length * 7 + 20) * px,
                );
                const label = besidePoint(text, x, underMarker, box, px);
                return (
                  <G key={text}>
                    <Circle cx={x} cy={y} r={6 * px} fill="none" stroke={theme.ink} strokeWidth={1.8 * px} />
                    <Circle cx={x} cy={y} r={1.8 * px} fill={theme.ink} />
                    {name(text, label.x, y + label.down * px, theme.ink, 13, label.anchor)}
                  </G>
                );
              })}
            {drawing.markers.map(({ letter, at: [x, y] }) => (
              <G key={letter}>
                <Rect
                  x={x - 9 * px}
                  y={y - 10 * px}
                  width={18 * px}
                  height={20 * px}
                  fill={theme.surface}
                  stroke={theme.ink}
                  strokeWidth={1.4 * px}
                />
                {name(letter, x, y + 5 * px, theme.ink, 14, 'middle', true)}
              </G>
            ))}
          </G>
        )}
        {side && !small && setup.tube.angleDeg > 0 && vertical && (
          <G>
            <Line
              x1={fx}
              y1={fy}
              x2={fx}
              y2={fy + 130 * px}
              stroke={theme.inkSoft}
              strokeWidth={1.2 * px}
              strokeDasharray={`${4 * px},${4 * px}`}
            />
            {name(
              formatAngle(setup.tube.angleDeg),
              fx + (hx < fx ? -30 : 14) * px,
              fy + 106 * px,
              theme.lamp,
              20,
              'start',
              true,
            )}
          </G>
        )}
        {side && !small && shiftText !== '' && (
          <G>
            <Line x1={sx} y1={hy + 12 * px} x2={hx} y2={hy + 12 * px} stroke={theme.lamp} strokeWidth={1.8 * px} />
            <Line
              x1={sx}
              y1={hy + 7 * px}
              x2={sx}
              y2={hy + 17 * px}
              stroke={theme.lamp}
              strokeWidth={1.2 * px}
              strokeDasharray={`${2 * px},${2 * px}`}
            />
            <Polygon
              points={points([
                [hx, hy + 12 * px],
                [hx + Math.sign(sx - hx) * 7 * px, hy + 8 * px],
                [hx + Math.sign(sx - hx) * 7 * px, hy + 16 * px],
              ])}
              fill={theme.lamp}
            />
            {name(shiftText, shiftAt.x, hy + shiftAt.down * px, theme.lamp, 15, shiftAt.anchor, true)}
          </G>
        )}
        {side && !small && (
          <G>
            {name(
              sidText,
              clampX(vertical ? Math.max(fx, hx) + 34 * px : (fx + hx) / 2 - 30 * px, 120),
              vertical ? fy + (hy - fy) * 0.42 : Math.min(fy, hy) - 34 * px,
              theme.ink,
              16,
              'start',
              true,
            )}
            {name(
              heightText,
              clampX(vertical ? Math.max(fx, hx) + 34 * px : (fx + hx) / 2 - 30 * px, 130),
              vertical ? fy + (hy - fy) * 0.42 + 18 * px : Math.min(fy, hy) - 17 * px,
              theme.inkSoft,
              14,
            )}
          </G>
        )}
        {drawing.fromAbove &&
          name('from above', box.x + box.width - 4 * px, box.y + box.height - 6 * px, theme.inkSoft, 13, 'end')}
        {!small && name(side ? 'from the side' : 'along the CR', box.x + 10 * px, box.y + 20 * px, theme.inkSoft, 14)}
        {!small &&
          !side &&
          name(
            formatRectangle(setup.field.atSkinMm.width, setup.field.atSkinMm.height, unit) + ' on the skin',
            box.x + 10 * px,
            box.y + box.height - 10 * px,
            theme.lamp,
            14,
          )}
        {!small &&
          side &&
          vertical &&
          setup.position.body !== 'seated' &&
          name(setup.tube.ways[0], box.x + 10 * px, (drawing.surface?.[0][1] ?? 0) - 8 * px, theme.inkSoft, 14)}
      </Svg>
    </View>
  );
}

/** About as wide as one letter of a point's name, in pixels. */
const LETTER = 6;

/**
 * Where the name of a point stands so that none of it is cut: beside the point where there is room,
 * on the left by choice where a marker or the edge is near, else above it.
 */
function besidePoint(text: string, x: number, underMarker: boolean, box: StageDrawing['box'], px: number) {
  const room = (text.length * LETTER + 14) * px;
  const onLeft = { fits: x - room > box.x, x: x - 10 * px, down: 4, anchor: 'end' as const };
  const onRight = { fits: x + room < box.x + box.width, x: x + 10 * px, down: 4, anchor: 'start' as const };
  const leftFirst = underMarker || x > box.x + box.width * 0.62;
  const beside = (leftFirst ? [onLeft, onRight] : [onRight, onLeft]).find(({ fits }) => fits);
  if (beside) return beside;
  const half = Math.min(room, box.width) / 2;
  const middle = Math.min(Math.max(x, box.x + half), box.x + box.width - half);
  return { x: middle, down: -12, anchor: 'middle' as const };
}

/** Corner ticks of the light field, drawn on the field itself. */
function Ticks({
  polygon,
  arm,
  color,
  width,
}: {
  polygon: readonly (readonly [number, number])[];
  arm: number;
  color: string;
  width: number;
}) {
  return (
    <>
      {polygon.map(([x, y], i) => {
        const toward = ([tx, ty]: readonly [number, number]) => {
          const size = Math.hypot(tx - x, ty - y) || 1;
          return [x + ((tx - x) / size) * arm, y + ((ty - y) / size) * arm];
        };
        const a = toward(polygon[(i + 1) % polygon.length]);
        const b = toward(polygon[(i + polygon.length - 1) % polygon.length]);
        return (
          <Path
            key={i}
            d={`M${a[0]} ${a[1]}L${x} ${y}L${b[0]} ${b[1]}`}
            fill="none"
            stroke={color}
            strokeWidth={width}
          />
        );
      })}
    </>
  );
}

/** The drawing in one sentence, for those who do not see it. */
function describe(setup: Setup, unit: LengthUnit, side: boolean): string {
  const angle =
    setup.tube.angleDeg > 0 ? `, tube ${formatAngle(setup.tube.angleDeg)} ${angledTo(setup.tube.angleSays)}` : '';
  const both = `${formatInches(setup.tube.sidMm)} in, ${formatCm(setup.tube.sidMm)} cm`;
  if (side) return `From the side: ${setup.position.say}. SID ${both}${angle}.`;
  const { grid } = setup.image;
  const takes = grid
    ? ` Grid strips run ${grid.strips === 'up' ? setup.tube.ways.join(' to ') : 'side to side'}; they take ${Math.round(grid.centre * 100)} % at the centre, ${Math.round(grid.worseEdge * 100)} % at the worse edge.`
    : '';
  return `Along the CR: light field ${formatRectangle(setup.field.atSkinMm.width, setup.field.atSkinMm.height, unit)} on the skin, ${setup.centre.text}. Marker ${setup.marker.letters.join(' and ')}: ${setup.marker.place}.${takes}`;
}
