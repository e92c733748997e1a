<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\Analytes;
use HonestCore\Error\BadDefinition;
use HonestCore\Error\CoreError;

/**
 * A test method of the bench, as data: what it measures on which scale, its steps with their times, what it asks for,
 * what it is made with, what may hurt, what it costs.
 *
 * Quantity and unit: cost in cents, minutes of work a test, temperatures in °C.
 * Source: the form is data/method-schema.json; the methods that ship say theirs.
 */
final readonly class MethodDefinition
{
    private const MOST_S = 1_209_600;

    /**
     * @param list<array{code: string, name: string, options: list<array{value: string, name: string,
     *     breaks: string|null}>}> $conditions
     * @param array{lowest: float, highest: float}|null $celsius
     * @param list<string> $reagents
     * @param non-empty-list<MethodStep> $steps
     * @param list<string> $hazards
     * @param array<string, mixed> $asGiven
     */
    private function __construct(
        public string $code,
        public string $name,
        public string $analyte,
        public string $unit,
        public MethodScale $scale,
        public int $readings,
        public bool $colour,
        public ?string $probe,
        public array $conditions,
        public ?array $celsius,
        public array $reagents,
        public array $steps,
        public array $hazards,
        public int $costCents,
        public float $minutes,
        public string $source,
        private array $asGiven,
    ) {}

    /**
     * @param array<string, mixed> $given
     *
     * @throws BadDefinition
     * @throws CoreError
     */
    public static function of(array $given): self
    {
        $entry = Entry::of($given, '');
        $scale = ScaleEntry::read($entry->entry('scale'));
        $celsius = $entry->maybe('celsius');
        $range =
            $celsius === null
                ? null
                : ['lowest' => $celsius->number('lowest', 0, 60), 'highest' => $celsius->number('highest', 0, 60)];
        $celsius?->done();
        if ($range !== null && $range['lowest'] >= $range['highest']) {
            throw new BadDefinition('celsius_upside_down');
        }
        $it = new self(
            $entry->code('code'),
            $entry->words('name', 3, 80),
            self::analyte($entry),
            $entry->words('unit', 1, 12),
            $scale,
            $entry->whole('readings', 1, 10),
            $entry->truth('colour'),
            $entry->oneOf('probe', [null, 'ph', 'no3n']),
            self::conditions($entry),
            $range,
            self::reagents($entry),
            StepEntry::all($entry, $scale),
            self::hazards($entry),
            $entry->whole('cost_cents', 0, 1_000_000),
            $entry->number('minutes', 0, 1440),
            $entry->has('source') ? $entry->words('source', 0, 2000) : '',
            $given,
        );
        $entry->done();

        return $it;
    }

    /** @return array<string, mixed> as it was given */
    public function toArray(): array
    {
        return $this->asGiven;
    }

    /**
     * Do both give readings that can stand in one series: the same analyte and unit, on the same scale? Colours may
     * differ.
     */
    public function measuresLike(self $other): bool
    {
        return [$this->analyte, $this->unit, self::bare($this->asGiven['scale'])] == [
            $other->analyte,
            $other->unit,
            self::bare($other->asGiven['scale']),
        ];
    }

    /**
     * The protocol breaks that the conditions of a run are.
     *
     * @param array<string, string> $said option by condition
     * @return list<ObservedBreak>
     *
     * @throws BadDefinition for an answer that is no option, or none at all
     */
    public function breaksOf(array $said, ?float $celsius): array
    {
        $breaks = [];
        foreach ($this->conditions as $condition) {
            $options = array_column($condition['options'], null, 'value');
            $option =
                $options[$said[$condition['code']] ?? ''] ??
                throw new BadDefinition('not_said', [
                    'place' => $condition['name'],
                    'known' => implode(', ', array_column($condition['options'], 'name')),
                ]);
            if ($option['breaks'] !== null) {
                $breaks[] = new ObservedBreak($option['breaks'], "{$condition['name']}: {$option['name']}.");
            }
        }
        if (
            $this->celsius !== null &&
            $celsius !== null &&
            ($celsius < $this->celsius['lowest'] || $celsius > $this->celsius['highest'])
        ) {
            $breaks[] = new ObservedBreak(
                'temperature',
                "{$celsius} °C, and the method asks {$this->celsius['lowest']} to {$this->celsius['highest']} °C.",
            );
        }

        return $breaks;
    }

    /** @throws BadDefinition */
    private static function analyte(Entry $entry): string
    {
        return (string) $entry->oneOf('analyte', array_column(self::measurable(), 'code'));
    }

    /**
     * @return list<array{code: string, name: string}> what a method of the bench can measure: any analyte that is no
     *                                                 share of another, and texture
     */
    public static function measurable(): array
    {
        $own = array_filter(
            array_map(Analytes::get(...), Analytes::codes()),
            static fn (Analyte $one): bool => ! $one->isShare(),
        );

        return [
            ...array_values(
                array_map(static fn (Analyte $one): array => ['code' => $one->code, 'name' => $one->name], $own),
            ),
            ['code' => 'texture', 'name' => 'texture'],
        ];
    }

    /**
     * @return list<array{code: string, name: string, options: list<array{value: string, name: string,
     *     breaks: string|null}>}>
     *
     * @throws BadDefinition
     */
    private static function conditions(Entry $entry): array
    {
        $conditions = [];
        foreach ($entry->entries('conditions', 0, 8) as $one) {
            $options = [];
            foreach ($one->entries('options', 2, 8) as $option) {
                $options[] = [
                    'value' => $option->code('value'),
                    'name' => $option->words('name', 1, 80),
                    'breaks' => $option->breakCode('breaks'),
                ];
                $option->done();
            }
            $conditions[] = ['code' => $one->code('code'), 'name' => $one->words('name', 1, 60), 'options' => $options];
            $one->done();
        }
        if (count(array_unique(array_column($conditions, 'code'))) < count($conditions)) {
            throw new BadDefinition('conditions_code_stands_twice');
        }

        return $conditions;
    }

    /**
     * @return list<string>
     *
     * @throws BadDefinition
     */
    private static function reagents(Entry $entry): array
    {
        return array_map(static function (Entry $one): string {
            $name = $one->words('name', 1, 80);
            $one->done();

            return $name;
        }, $entry->entries('reagents', 0, 10));
    }

    /**
     * @return list<string>
     *
     * @throws BadDefinition
     */
    private static function hazards(Entry $entry): array
    {
        $hazards = [];
        foreach ($entry->items('hazards', 0, 10) as $i => $words) {
            $hazards[] =
                is_string($words) && trim($words) !== '' && mb_strlen($words) <= 300
                    ? $words
                    : throw new BadDefinition('hazards_no_sentence', ['number' => $i + 1]);
        }

        return $hazards;
    }

    /** A scale without the colours of its bands, which a new card may change. */
    private static function bare(mixed $scale): mixed
    {
        if (is_array($scale) && is_array($scale['bands'] ?? null)) {
            $scale['bands'] = array_map(
                static fn (mixed $band): mixed => is_array($band) ? array_diff_key($band, ['colour' => 0]) : $band,
                $scale['bands'],
            );
        }

        return $scale;
    }

    /** The longest that a step may be said to take, in seconds. */
    public static function longestS(): int
    {
        return self::MOST_S;
    }

    /** Does a step last as long as grains of a size need to settle? */
    public function isByStokes(): bool
    {
        return array_filter($this->steps, static fn (MethodStep $step): bool => $step->stokesMicrometres !== null) !== [];
    }
}
