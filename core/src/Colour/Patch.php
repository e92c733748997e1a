<?php

declare(strict_types=1);

namespace HonestCore\Colour;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;

/**
 * A small piece of a photo: the middle colour of its pixels, and how uneven they are.
 *
 * Quantity and unit: pixels as stored, 0 to 255 a channel; the middle as linear light from 0 to 1.
 * Variant: the median channel by channel, so that a glint or a speck does not count.
 */
final readonly class Patch
{
    /** Pixels that are looked at for unevenness. */
    private const LOOKED_AT = 64;

    /**
     * @param array{float, float, float} $light
     * @param non-empty-list<array{float, float, float}> $some linear light of some of its pixels
     */
    private function __construct(
        public string $name,
        public array $light,
        private array $some,
        public float $clipped,
    ) {}

    /**
     * @param list<int> $channels red, green, blue, red, green, blue and so on
     *
     * @throws ValueOutOfRange
     */
    public static function of(string $name, array $channels): self
    {
        /** @var array{patch_least_pixels: int, patch_most_pixels: int} $table */
        $table = RuleTable::named('colour-match');
        $count = intdiv(count($channels), 3);
        if (
            count($channels) % 3 !== 0 ||
            $count < $table['patch_least_pixels'] ||
            $count > $table['patch_most_pixels']
        ) {
            throw new ValueOutOfRange('patch_channel_values', [
                'name' => $name,
                'count' => count($channels),
                'patch_least_pixels' => $table['patch_least_pixels'],
                'patch_most_pixels' => $table['patch_most_pixels'],
            ]);
        }
        $of = [[], [], []];
        $clipped = 0;
        foreach ($channels as $i => $channel) {
            if ($channel < 0 || $channel > 255) {
                throw new ValueOutOfRange('channel', [
                    'value' => $channel,
                    'low' => 0,
                    'high' => 255,
                    'name' => $name,
                ]);
            }
            $of[$i % 3][] = $channel;
            $clipped += $channel >= 254 ? 1 : 0;
        }
        /** @var non-empty-list<non-empty-list<int>> $of */
        $light = array_map(
            static fn (array $values): float => Srgb::decode(Spread::median(array_map(floatval(...), $values)) / 255),
            $of,
        );
        $some = [];
        for ($i = 0, $each = max(1, intdiv($count, self::LOOKED_AT)); $i < $count; $i += $each) {
            $some[] = array_map(static fn (int $channel): float => Srgb::decode($channel / 255), [
                $channels[3 * $i],
                $channels[3 * $i + 1],
                $channels[3 * $i + 2],
            ]);
        }

        /** @var array{float, float, float} $light */
        /** @var non-empty-list<array{float, float, float}> $some */
        return new self($name, $light, $some, $clipped / count($channels));
    }

    /**
     * Its colour under the light that made a white patch look as it does.
     *
     * Variant: von Kries scaling of linear sRGB channels, so that the white spot becomes white of lightness 100.
     *
     * @throws ValueOutOfRange
     */
    public function under(self $white): LabColour
    {
        return Srgb::toLab(self::scaled($this->light, $white->light));
    }

    /**
     * Mean difference of its pixels from its middle colour, as CIEDE2000.
     *
     * @throws ValueOutOfRange
     */
    public function unevenness(self $white): float
    {
        $middle = $this->under($white);

        return Spread::mean(
            array_map(
                static fn (array $light): float => Ciede2000::between(
                    $middle,
                    Srgb::toLab(self::scaled($light, $white->light)),
                ),
                $this->some,
            ),
        );
    }

    /**
     * @param array{float, float, float} $light
     * @param array{float, float, float} $white
     * @return array{float, float, float}
     */
    private static function scaled(array $light, array $white): array
    {
        return [$light[0] / max(1e-6, $white[0]), $light[1] / max(1e-6, $white[1]), $light[2] / max(1e-6, $white[2])];
    }
}
