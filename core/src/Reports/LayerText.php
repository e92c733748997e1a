<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Fold;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

/**
 * A depth layer as reports write it: 0-6 in, 0 to 15 cm, 0–6".
 *
 * Domain: the unit stands in the cell or in the name of its column; one number alone is the bottom of a layer from the
 * surface.
 * A layer without a unit is none: it could be inches or centimetres.
 */
final class LayerText
{
    public static function read(string $text, string $unit = ''): ?DepthLayer
    {
        $plain = str_replace(["''", '”', '“', '″'], '"', Fold::lower($text));
        if (
            preg_match(
                '/^(\d+(?:\.\d+)?)\s*(?:cm|in|inch|inches|")?\s*(?:-|to|bis|a)\s*(\d+(?:\.\d+)?)\s*(cm|in\.?|inch|inches|")?\.?$/',
                $plain,
                $m,
            ) === 1
        ) {
            return self::of((float) $m[1], (float) $m[2], $m[3] ?? '', $unit);
        }
        if (preg_match('/^(\d+(?:\.\d+)?)\s*(cm|in\.?|inch|inches|")?\.?$/', $plain, $m) === 1) {
            return self::of(0.0, (float) $m[1], $m[2] ?? '', $unit);
        }

        return null;
    }

    /** The unit that the name of a depth column says, as in "Depth (in)". */
    public static function unitOf(string $name): string
    {
        return preg_match('/\b(cm|centimet\w+)\b/i', $name) === 1
            ? 'cm'
            : (preg_match('/\b(in|inch|inches)\b\.?\)?|"/i', $name) === 1
                ? 'in'
                : '');
    }

    private static function of(float $top, float $bottom, string $unit, string $ofColumn): ?DepthLayer
    {
        $unit = $unit !== '' ? $unit : $ofColumn;
        try {
            return $unit === ''
                ? null
                : ($unit === 'cm'
                    ? DepthLayer::ofCm($top, $bottom)
                    : DepthLayer::ofInches($top, $bottom));
        } catch (ValueOutOfRange) {
            return null;
        }
    }
}
