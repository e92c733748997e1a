<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Amounts\NitrogenCredits;
use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * What a person chose for a program: crop and yield, schools, credits, products, a bed, and what goes against the figures
 * with its reason.
 *
 * Quantity and unit: yield an acre in the crop's own unit; depth in inches; credits in lb N an acre; a bed in metres;
 * overrides and own mixes in lb an acre by part (0 for an area in one).
 * Domain: nothing negative; a reason of 10 to 500 letters with each override.
 */
final readonly class ProgramChoices implements Stored
{
    private const SCHOOLS = ['build', 'sufficiency'];

    private const SHORTEST_REASON = 10;

    private const LONGEST_REASON = 500;

    private const MOST_LB_PER_ACRE = 40_000;

    /** What may be overridden, in words: the limestone of the schools, sulphur, oxides, nitrogen, elements. */
    public const KEYS = ['lime', 'sulphur', 'p2o5', 'k2o', 'n', 's', 'mg', 'zn', 'b'];

    /**
     * @param list<string>|null $products codes that may be used; null for all that are on the shelf
     * @param array<int, array<string, float>> $mix a person's own amounts, by part and product
     * @param list<array{part: int, key: string, lb_per_acre: float, reason: string}> $overrides
     * @param array{0: float, 1: float}|null $bed length and width, metres
     */
    private function __construct(
        public string $crop,
        public ?float $yield,
        public string $limeSchool,
        public bool $bySufficiency,
        public float $years,
        public float $mixedIn,
        public string $plantOn,
        public NitrogenCredits $credits,
        public bool $byNitrate,
        public bool $organicOnly,
        public ?array $products,
        public array $mix,
        public string $mixReason,
        public array $overrides,
        public ?array $bed,
        private Fields $row,
    ) {}

    /** @throws ValueOutOfRange */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $crop = WantedCrop::of($fields->text('crop'));
        $school = $fields->text('nutrient_school', 'build');
        if (! in_array($school, self::SCHOOLS, true)) {
            throw new ValueOutOfRange('school_of_nutrients', ['school' => $school, 'known' => implode(', ', self::SCHOOLS)]);
        }
        $plantOn = $fields->text('plant_on');
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $plantOn, $m) !== 1 || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
            throw new ValueOutOfRange('day_of_planting', ['on' => mb_substr($plantOn, 0, 20)]);
        }
        $yield = $fields->numberOrNull('yield');
        Bounds::within('yield', $yield, 0, 2000);
        Bounds::between('number_years', $fields->number('years', 4.0), 0, 21);
        Bounds::within('depth_of_mixing', $fields->number('mixed_in', 6.0), 1, 12, ['unit' => 'in']);
        $bed = $fields->pairOrNull('bed');
        foreach ($bed ?? [] as $side) {
            Bounds::between('side_of_bed', $side, 0, 1000, ['unit' => 'm']);
        }

        return new self(
            $crop->code,
            $yield,
            $fields->text('lime_school', ''),
            $school === 'sufficiency',
            $fields->number('years', 4.0),
            $fields->number('mixed_in', 6.0),
            $plantOn,
            self::creditsOf(new Fields($fields->rowOrNull('credits') ?? [])),
            $fields->flag('by_nitrate', false),
            $fields->flag('organic_only', false),
            $fields->has('products') ? $fields->texts('products') : null,
            self::mixOf($fields->rows('mix')),
            trim($fields->text('mix_reason', '')),
            array_map(self::override(...), $fields->rows('overrides')),
            $bed,
            $fields,
        );
    }

    public function toRow(): array
    {
        return [
            'crop' => $this->crop,
            'yield' => $this->yield,
            'lime_school' => $this->limeSchool,
            'nutrient_school' => $this->bySufficiency ? 'sufficiency' : 'build',
            'years' => $this->years,
            'mixed_in' => $this->mixedIn,
            'plant_on' => $this->plantOn,
            'credits' => $this->row->rowOrNull('credits'),
            'by_nitrate' => $this->byNitrate,
            'organic_only' => $this->organicOnly,
            'products' => $this->products,
            'mix' => $this->row->rows('mix'),
            'mix_reason' => $this->mixReason,
            'overrides' => $this->overrides,
            'bed' => $this->bed,
        ];
    }

    /** The size of the bed in square metres; null where none was given. */
    public function bedM2(): ?float
    {
        return $this->bed === null ? null : $this->bed[0] * $this->bed[1];
    }

    /** The line as the person set it, or as it was. */
    public function set(int $part, ProgramLine $line): ProgramLine
    {
        foreach ($this->overrides as $one) {
            if ($one['part'] === $part && $one['key'] === $line->key) {
                return $line->overridden($one['lb_per_acre'], $one['reason']);
            }
        }

        return $line;
    }

    /** @throws ValueOutOfRange */
    private static function creditsOf(Fields $given): NitrogenCredits
    {
        return NitrogenCredits::of(
            $given->number('legume', 0.0),
            $given->number('applied', 0.0),
            $given->number('manure_tons', 0.0),
            $given->number('manure_nh4', 0.0),
            $given->number('manure_organic', 0.0),
            $given->number('manure_kept', 0.5),
            $given->number('manure_mineral', 0.35),
            $given->number('irrigation_ppm', 0.0),
            $given->number('irrigation_in', 0.0),
        );
    }

    /**
     * @param array<mixed> $row
     * @return array{part: int, key: string, lb_per_acre: float, reason: string}
     *
     * @throws ValueOutOfRange
     */
    private static function override(array $row): array
    {
        $fields = new Fields($row);
        $key = $fields->text('key');
        if (! in_array($key, self::KEYS, true)) {
            throw new ValueOutOfRange('line_overridden', ['key' => mb_substr($key, 0, 30), 'known' => implode(', ', self::KEYS)]);
        }
        $reason = trim($fields->text('reason', ''));
        Bounds::within('reason_of_override', mb_strlen($reason), self::SHORTEST_REASON, self::LONGEST_REASON);
        Bounds::within('amount_set', $fields->number('lb_per_acre'), 0, self::MOST_LB_PER_ACRE, ['unit' => 'lb/acre']);
        Bounds::within('number_part', $fields->whole('part', 0), 0, 1000);

        return ['part' => $fields->whole('part', 0), 'key' => $key, 'lb_per_acre' => $fields->number('lb_per_acre'), 'reason' => $reason];
    }

    /**
     * @param list<array<mixed>> $given
     * @return array<int, array<string, float>>
     *
     * @throws ValueOutOfRange
     */
    private static function mixOf(array $given): array
    {
        $mix = [];
        foreach ($given as $row) {
            $fields = new Fields($row);
            Bounds::within('number_part', $fields->whole('part', 0), 0, 1000);
            Bounds::within('amount_set', $fields->number('lb_per_acre'), 0, self::MOST_LB_PER_ACRE, ['unit' => 'lb/acre']);
            $mix[$fields->whole('part', 0)][$fields->text('product')] = $fields->number('lb_per_acre');
        }

        return $mix;
    }
}
