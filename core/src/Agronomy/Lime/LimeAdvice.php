<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Agreement\Verdict;
use HonestCore\Agreement\Words;
use HonestCore\Agronomy\Crop;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What may be recommended about lime, and from what.
 *
 * Rule: a lab's pH and buffer pH give an amount, by each school from its own buffer; a cheap test gives a direction
 * and never an amount, and only when its sort claim was signed as standing and covers the reading; otherwise nothing
 * is recommended and the next test is named.
 * Quantity and unit: see LimeRate.
 * Source: the rule is the product's own.
 */
final readonly class LimeAdvice
{
    /**
     * @param 'amount'|'leave'|'too_high'|'direction'|'none'|'stop' $kind
     * @param list<string> $notes
     * @param list<SchoolRate> $rates
     * @param list<string> $next
     * @param list<string> $cautions
     */
    private function __construct(
        public string $kind,
        public string $answer,
        public array $notes,
        public array $rates,
        public array $next,
        public array $cautions,
    ) {}

    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function from(
        ?LabPh $lab,
        ?KitDirection $kit,
        Crop $crop,
        LimeGround $ground,
        LimeMaterial $material,
    ): self {
        $advice = match (true) {
            $lab !== null => self::fromLab($lab, $crop, $ground, $material),
            $kit !== null && $kit->counts() => self::fromKit($kit),
            default => self::nothing($kit),
        };
        $organic = $ground->organic();
        $wantsLime =
            in_array($advice->kind, ['amount', 'direction'], true) &&
            ($lab === null ? $kit?->action === 'lime' : $lab->ph < $crop->low);

        return $organic !== null && $wantsLime ? self::stop($organic, $advice) : $advice;
    }

    private static function stop(string $organic, self $advice): self
    {
        return new self(
            'stop',
            "Stop: this is organic soil ({$organic}). Tables for mineral soils do not hold, and no amount is given.",
            $advice->notes,
            [],
            [
                'Ask the lab or the local extension office for their rule for organic soils; crops on them do with '.
                    'a lower pH.',
                'If it is no organic soil, have the organic matter measured, or mend the facts of the area.',
            ],
            [],
        );
    }

    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    private static function fromLab(LabPh $lab, Crop $crop, LimeGround $ground, LimeMaterial $material): self
    {
        [$notes, $next] = self::howSure($lab, $crop);
        $ph = Words::trim($lab->ph, 2);
        if ($lab->ph >= $crop->high) {
            return new self(
                'too_high',
                "No lime: pH {$ph} is at or above {$crop->high}, too high for {$crop->name}.",
                $notes,
                [],
                [
                    ...$next,
                    'Ask for drainage, salts, irrigation water and lost topsoil first, and do the vinegar fizz test '.
                        'before any sulphur: where it fizzes, do not sulphur the field.',
                ],
                [],
            );
        }
        if ($lab->ph >= $crop->low) {
            return new self(
                'leave',
                "No lime: pH {$ph} is within {$crop->low} to {$crop->high} for {$crop->name}.",
                $notes,
                [],
                $next,
                [],
            );
        }
        $missing = array_map(
            static fn (LimeSchool $school): SchoolRate => SchoolRate::missing($school),
            array_filter(
                [LimeSchool::Mehlich, LimeSchool::Smp],
                static fn (LimeSchool $school): bool => $lab->buffer($school) === null,
            ),
        );
        $found =
            $lab->buffers === []
                ? null
                : LimeRequirement::of(
                    LimeQuestion::of(
                        $lab->ph,
                        $crop->target,
                        $lab->buffers,
                        $ground->layer,
                        $ground->mixedIn,
                        $material,
                        uPh: $lab->uncertainty === null ? null : $lab->uncertainty / 2,
                    ),
                );
        $rates = [...$found->schools ?? [], ...$missing];
        if ($found === null || $found->answer === 'unable') {
            return new self(
                'direction',
                "Lime is called for: pH {$ph} is below {$crop->low} for {$crop->name}. How much is not known.",
                [...$notes, 'The pH says whether, the buffer pH says how much.', ...$found->reasons ?? []],
                $rates,
                [...$next, 'Ask the lab for a buffer pH of the same sample before you buy lime.'],
                self::cautions('direction'),
            );
        }

        return new self(
            'amount',
            "Lime: pH {$ph} is below {$crop->low} for {$crop->name}; sized for pH {$crop->target}.",
            [...$notes, ...$found->reasons, ...self::sizeNotes($found)],
            $rates,
            $next,
            self::cautions('amount'),
        );
    }

    /** @return array{list<string>, list<string>} whose pH it is and what it is too close to, and what would settle it */
    private static function howSure(LabPh $lab, Crop $crop): array
    {
        $whose = $lab->test === '' ? 'the lab\'s pH ' : "the pH by {$lab->test} ";
        $notes =
            $lab->test === ''
                ? []
                : [
                    "The pH is by {$lab->test}, whose rate claim stands: it sizes lime as the lab's would, within ± ".
                    Words::trim($lab->uncertainty ?? 0.0, 2).
                    '.',
                ];
        $next = [];
        foreach (
            ['below which lime is asked for' => $crop->low, 'above which the crop is troubled' => $crop->high] as $what => $limit
        ) {
            if ($lab->isTooCloseTo($limit)) {
                $notes[] =
                    "Too close to call: {$whose}".
                    Words::trim($lab->ph, 2).
                    ' ± '.
                    Words::trim($lab->uncertainty ?? 0.0, 2).
                    ' reaches over the limit of '.
                    Words::trim($limit, 2).
                    ', '.
                    $what.
                    '.';
                $next[] = 'A second composite of this area, sent to the same lab, would settle it.';
            }
        }

        return [$notes, $next];
    }

    /** @return list<string> */
    private static function sizeNotes(LimeRequirement $found): array
    {
        $later = array_filter($found->schools, static fn (SchoolRate $rate): bool => ($rate->later ?? 0.0) > 1e-9);

        return $later === []
            ? []
            : [
                'It should not go on at once: one dressing moves the pH one unit at most, and no more than 4 tons '.
                    'an acre. Spread the first part, test again, then the rest.',
            ];
    }

    private static function fromKit(KitDirection $kit): self
    {
        return match ($kit->action) {
            'lime' => new self(
                'direction',
                "Direction only: lime is called for. The {$kit->test} reads {$kit->band} and its sort claim stands.",
                ['Its rate claim does not stand: no amount can be given from it.'],
                [],
                ['Send it for a buffer pH before you buy lime.'],
                self::cautions('direction'),
            ),
            'too high' => new self(
                'direction',
                "Direction only: the pH is too high. The {$kit->test} reads {$kit->band} and its sort claim stands.",
                ['Its rate claim does not stand: no amount can be given from it.'],
                [],
                ['Send it to the lab before any sulphur, and do the vinegar fizz test first.'],
                self::cautions('direction'),
            ),
            default => new self(
                'direction',
                "Direction only: leave it. The {$kit->test} reads {$kit->band} and its sort claim stands.",
                ['A kit that says leave cannot say how far the limit is.'],
                [],
                ['Send a portion to the lab at the next regular retest.'],
                [],
            ),
        };
    }

    private static function nothing(?KitDirection $kit): self
    {
        if ($kit === null) {
            return new self(
                'none',
                'No recommendation: no pH has been measured here yet.',
                [],
                [],
                ['Pull a composite and send its lab portion for pH and buffer pH.'],
                [],
            );
        }
        $why = match (true) {
            $kit->signed === null => 'no verdict on its sort claim has been signed',
            $kit->signed !== Verdict::Stands => "its sort claim is signed as \"{$kit->signed->value}\", not as ".
                'standing',
            $kit->silentOn !== '' => "the verdict on its sort claim was not asked for {$kit->silentOn}",
            $kit->tooClose !== '' => "its reading {$kit->band} is too close to call: {$kit->tooClose}",
            $kit->action === null => "its band {$kit->band} straddles a limit with an open end and cannot sort",
            default => "its reading {$kit->band} lies outside the readings that the verdict rests on",
        };

        return new self(
            'none',
            "No recommendation: the only reading is by {$kit->test}, and {$why}.",
            [],
            [],
            [
                'Send the lab portion for pH and buffer pH.',
                'Each pair of kit and lab readings on the same composite is evidence for the kit: enter both.',
            ],
            [],
        );
    }

    /**
     * @return list<string>
     *
     * @throws BadTable
     */
    private static function cautions(string $kind): array
    {
        /** @var array<string, list<string>> $table */
        $table = RuleTable::named('lime-cautions');

        return $table[$kind];
    }
}
