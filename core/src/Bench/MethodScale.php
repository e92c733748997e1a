<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Agreement\Bands;
use HonestCore\Colour\LabColour;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Number;

/**
 * What a method gives: numbers to a resolution, one of several bands, a mere direction, a count of drops that a
 * table turns into a band, or heights of settled layers.
 *
 * Quantity and unit: numbers and bounds of bands in the unit of the method.
 */
final readonly class MethodScale
{
    /**
     * @param array<string, LabColour> $colours by band
     * @param list<array{from: int, to: int, band: string}> $drops ascending, without gap or overlap
     */
    public function __construct(
        public ScaleKind $kind,
        public ?Bands $bands = null,
        public array $colours = [],
        public array $drops = [],
        public ?float $resolution = null,
        public ?float $lowest = null,
        public ?float $highest = null,
        public ?float $readingErrorMm = null,
    ) {}

    /**
     * A reading as it was typed or chosen, made sure that the scale has it.
     *
     * @param string|null $between the other band of a colour that lies between two
     *
     * @throws ValueOutOfRange
     */
    public function read(string $typed, ?string $between = null): BenchReading
    {
        $typed = trim($typed);
        if ($between !== null && $this->kind !== ScaleKind::Bands) {
            throw new ValueOutOfRange('between_bands_of_no_colour');
        }

        return match ($this->kind) {
            ScaleKind::Continuous => BenchReading::number($this->number($typed), $typed),
            ScaleKind::Drops => $this->counted($typed),
            ScaleKind::Heights => BenchReading::number($this->height($typed), $typed),
            default => $this->chosen($typed, $between),
        };
    }

    /**
     * @throws ValueOutOfRange
     */
    private function number(string $typed): float
    {
        $value = Number::parse($typed);
        $facts = ['value' => $typed, 'low' => $this->lowest, 'high' => $this->highest];
        if ($value === null) {
            throw new ValueOutOfRange('not_number', $facts);
        }
        if ($value < $this->lowest || $value > $this->highest) {
            throw new ValueOutOfRange('off_scale_instrument', $facts);
        }

        return $value;
    }

    /** @throws ValueOutOfRange */
    private function height(string $typed): float
    {
        $value = Number::parse($typed);
        if ($value === null || $value < 0 || $value > 1000) {
            throw new ValueOutOfRange('no_height_layer', ['typed' => $typed]);
        }

        return $value;
    }

    /** @throws ValueOutOfRange */
    private function counted(string $typed): BenchReading
    {
        $last = $this->mostDrops() ?? 0;
        if (preg_match('/^\d{1,4}$/D', $typed) !== 1 || (int) $typed < 1 || (int) $typed > $last) {
            throw new ValueOutOfRange('no_count_drops', ['typed' => $typed, 'last' => $last]);
        }
        foreach ($this->drops as $row) {
            if ((int) $typed <= $row['to']) {
                return BenchReading::drops((int) $typed, $row['band']);
            }
        }
        throw new \LogicException('The table of drops reaches its last row.');
    }

    /** @throws ValueOutOfRange */
    private function chosen(string $name, ?string $between): BenchReading
    {
        $names = array_map(static fn ($band): string => $band->name, $this->bands->bands ?? []);
        foreach ($between === null ? [$name] : [$name, $between] as $given) {
            if (! in_array($given, $names, true)) {
                throw new ValueOutOfRange('no_band_method', [
                    'given' => $given,
                    'known' => implode(', ', $names),
                ]);
            }
        }
        if ($between === null) {
            return BenchReading::band($name);
        }
        $places = [(int) array_search($name, $names, true), (int) array_search($between, $names, true)];
        if (abs($places[0] - $places[1]) !== 1) {
            throw new ValueOutOfRange('bands_no_neighbours', ['name' => $name, 'between' => $between]);
        }

        return BenchReading::between($names[min($places)], $names[max($places)]);
    }

    /** The most drops that its table knows; null for a scale without one. */
    public function mostDrops(): ?int
    {
        return $this->drops[count($this->drops) - 1]['to'] ?? null;
    }
}
