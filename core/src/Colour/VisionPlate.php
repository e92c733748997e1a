<?php

declare(strict_types=1);

namespace HonestCore\Colour;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A plate of dots in which a figure stands out by hue alone, along a line that one kind of colour-blind eye cannot see.
 *
 * Quantity and unit: places and radii as shares of the plate's width.
 * Domain: kind is protan, deutan or tritan; all (by lightness, everyone sees it) or none (no figure).
 * Source: the table in data/vision-plates.json and the cones of Smith & Pokorny.
 */
final readonly class VisionPlate
{
    /** An olive ground in the middle of what screens can show. */
    private const GROUND = [0.3, 0.32, 0.17];

    /** How far figure and ground are moved apart, as a share of what the cone takes in. */
    private const APART = ['protan' => 0.115, 'deutan' => 0.135, 'tritan' => 0.62];

    private const STROKE = 0.085;

    private const TRIES = 5_000;

    /** @param list<array{x: float, y: float, r: float, hex: string}> $dots */
    private function __construct(public string $kind, public ?string $figure, public array $dots) {}

    /**
     * @throws ValueOutOfRange for a kind or figure that there is not
     * @throws BadTable
     */
    public static function draw(string $kind, string $figure, int $seed): self
    {
        /** @var array<string, list<list<array{float, float}>>> $figures */
        $figures = RuleTable::named('vision-plates')['figures'];
        $lines =
            $figures[$figure] ??
            throw new ValueOutOfRange('no_figure_plates', [
                'figure' => $figure,
                'known' => implode(', ', array_keys($figures)),
            ]);
        $random = new Randomizer(new Mt19937($seed));
        [$ground, $mark] = self::colours($kind);
        $dots = [];
        foreach (self::pack($random) as [$x, $y, $r]) {
            $inside = $kind !== 'none' && self::distance($x, $y, $lines) < self::STROKE;
            $shade =
                $kind === 'all'
                    ? ($inside
                        ? self::between($random, 0.42, 0.55)
                        : self::between($random, 1.0, 1.2))
                    : self::between($random, 0.72, 1.18);
            $xyz = $inside ? $mark : $ground;
            $dots[] = [
                'x' => round($x, 4),
                'y' => round($y, 4),
                'r' => round($r, 4),
                'hex' => Srgb::hex(Srgb::fromXyz([$shade * $xyz[0], $shade * $xyz[1], $shade * $xyz[2]])),
            ];
        }

        return new self($kind, $kind === 'none' ? null : $figure, $dots);
    }

    /**
     * Colours of ground and figure, as XYZ.
     *
     * @return array{array{float, float, float}, array{float, float, float}}
     *
     * @throws ValueOutOfRange
     */
    public static function colours(string $kind): array
    {
        if ($kind === 'all' || $kind === 'none') {
            return [self::GROUND, self::GROUND];
        }
        $apart =
            self::APART[$kind] ??
            throw new ValueOutOfRange('no_kind_plate', ['kind' => $kind]);
        $cone = (int) array_search($kind, array_keys(self::APART), true);
        $lms = Cones::ofXyz(self::GROUND);
        $moved = static function (float $by) use ($lms, $cone): array {
            $lms[$cone] *= 1 + $by;

            return Cones::toXyz($lms);
        };

        return [$moved(-$apart), $moved($apart)];
    }

    /**
     * Circles that do not overlap, in a round plate, the large ones first.
     *
     * @return list<array{float, float, float}>
     */
    private static function pack(Randomizer $random): array
    {
        $circles = [];
        for ($try = 0; $try < self::TRIES; $try++) {
            $share = $try / self::TRIES;
            $r = 0.026 - 0.016 * $share;
            $angle = self::between($random, 0, 2 * M_PI);
            $far = (0.49 - $r) * sqrt(self::between($random, 0, 1));
            [$x, $y] = [0.5 + $far * cos($angle), 0.5 + $far * sin($angle)];
            foreach ($circles as [$ox, $oy, $or]) {
                if (($ox - $x) ** 2 + ($oy - $y) ** 2 < ($or + $r + 0.002) ** 2) {
                    continue 2;
                }
            }
            $circles[] = [$x, $y, $r];
        }

        return $circles;
    }

    private static function between(Randomizer $random, float $from, float $to): float
    {
        return $from + (($to - $from) * $random->getInt(0, 1_000_000)) / 1_000_000;
    }

    /** @param list<list<array{float, float}>> $lines */
    private static function distance(float $x, float $y, array $lines): float
    {
        $least = INF;
        foreach ($lines as $line) {
            for ($i = 1, $n = count($line); $i < $n; $i++) {
                [[$ax, $ay], [$bx, $by]] = [$line[$i - 1], $line[$i]];
                $t = min(
                    1.0,
                    max(
                        0.0,
                        (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / (($bx - $ax) ** 2 + ($by - $ay) ** 2),
                    ),
                );
                $least = min($least, hypot($x - $ax - $t * ($bx - $ax), $y - $ay - $t * ($by - $ay)));
            }
        }

        return $least;
    }
}
