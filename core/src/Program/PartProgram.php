<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Crop;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * The program of one part of an area, or of all of it: stop first, pH, phosphorus and potassium, secondary and
 * micronutrients, nitrogen, products, amounts, when.
 *
 * Quantity and unit: lb an acre; see ProgramLine and MeasuredAmount.
 * Rule: what must be known first holds amounts back; an override goes before both and prints its reason.
 */
final readonly class PartProgram
{
    private const SULPHUR = 'sulphur';

    /**
     * @param array<string, list<ProgramLine>> $steps by stop, ph, pk, other, nitrogen
     * @param list<MeasuredAmount> $amounts
     * @param list<array{product: string, on: string, lb_per_acre: float, what: string, late: bool}> $days
     * @param list<string> $cautions
     * @param list<FoundScale> $found
     */
    private function __construct(
        public PartResults $results,
        public Crop $wants,
        public array $steps,
        public ProgramNeed $need,
        public ProductMix $mix,
        public array $amounts,
        public array $days,
        public array $cautions,
        public array $found,
    ) {}

    /**
     * @param Crop $wants the pH that the crop wants on this ground
     * @param array<string, ShelfProduct> $shelf by code
     * @param list<LocalFactor> $factors that a reviewer put to use
     */
    public static function of(
        PartResults $part,
        WantedCrop $crop,
        Crop $wants,
        ProgramChoices $choices,
        array $shelf,
        \DateTimeImmutable $today,
        array $factors = [],
    ): self {
        $held = StopFirst::heldBy($part);
        $why = $held === [] ? '' : 'Held back: '.implode('; ', array_map(lcfirst(...), array_keys($held))).'.';
        $steps = ['stop' => StopFirst::lines($part)];
        foreach (
            [
                'ph' => PhStep::lines($part, $wants, $choices),
                'pk' => NutrientStep::lines($part, $crop, $choices),
                'other' => SecondaryStep::lines($part, $crop),
                'nitrogen' => NitrogenStep::lines($part, $crop, $choices),
            ] as $step => $lines
        ) {
            $steps[$step] = array_map(
                static fn (ProgramLine $line): ProgramLine => $choices->set(
                    $part->number,
                    $why === '' || $step === 'nitrogen' ? LocalFactor::all($factors, $line) : $line->held($why),
                ),
                $lines,
            );
        }
        $lines = array_merge(...array_values($steps));
        $need = ProgramNeed::of($lines);
        $mix = ProductMix::of($need, self::sulphurOf($lines), $part, $crop, $choices, $shelf);
        $amounts = [];
        foreach ($shelf as $code => $product) {
            if (($mix->amounts[$code] ?? 0.0) > 0) {
                $amounts[] = MeasuredAmount::of($product, $mix->amounts[$code], $part->ground);
            }
        }
        $nitrogen = $need->need['n'] ?? 0.0;
        $plantOn = new \DateTimeImmutable($choices->plantOn, $today->getTimezone());

        return new self(
            $part,
            $wants,
            $steps,
            $need,
            $mix,
            $amounts,
            SpreadDays::of(
                $mix->amounts,
                $shelf,
                NitrogenStep::dressings($nitrogen, $part, $crop, $choices),
                $plantOn,
                $today,
                $nitrogen > 0,
            ),
            self::cautionsFor($part, $mix),
            FoundScale::all($part, $crop, $wants, $choices),
        );
    }

    /** @param list<ProgramLine> $lines */
    private static function sulphurOf(array $lines): ?float
    {
        foreach ($lines as $line) {
            if ($line->key === self::SULPHUR) {
                return $line->lbPerAcre;
            }
        }

        return null;
    }

    /** @return list<string> */
    private static function cautionsFor(PartResults $part, ProductMix $mix): array
    {
        $table = new Fields(RuleTable::named('program-cautions'));
        $water = new Fields($table->row('water'));
        $brings = static fn (string $nutrient): bool => ($mix->supplied[$nutrient] ?? 0.0) > 0;

        return [
            $table->text('first'),
            ...$part->isNearWater && $brings('p2o5') ? [$water->text('p')] : [],
            ...$part->isNearWater && $brings('n') ? [$water->text('n')] : [],
        ];
    }

    /**
     * A line of the program by what it is of.
     */
    public function line(string $key): ?ProgramLine
    {
        foreach (array_merge(...array_values($this->steps)) as $line) {
            if ($line->key === $key) {
                return $line;
            }
        }

        return null;
    }

    /** What it says in a few words: the pH, then whether there is phosphorus. */
    public function inShort(): string
    {
        if ($this->steps['stop'] !== [] && StopFirst::heldBy($this->results) !== []) {
            return 'Stop first: '.lcfirst($this->steps['stop'][0]->what);
        }
        $said = array_map(
            static fn (ProgramLine $line): string => $line->what,
            array_values(
                array_filter(
                    [...array_slice($this->steps['ph'], 0, 1), $this->line('p2o5'), $this->line('k2o')],
                    static fn (?ProgramLine $line): bool => $line !== null,
                ),
            ),
        );

        return implode('; ', $said);
    }

    /** @return array<string, mixed> */
    public function toArray(?float $bedM2 = null, SiteRates $units = new SiteRates(false)): array
    {
        return [
            'number' => $this->results->number,
            'label' => $this->results->label,
            'area_m2' => $this->results->ground->squareMetres,
            'sample' => $this->results->sample,
            'depth' => $this->results->layer?->notation(),
            'soil' => $this->results->texture,
            'in_short' => $this->inShort(),
            'found' => array_map(static fn (FoundScale $one): array => $one->toArray(), $this->found),
            'wants' => ['low' => $this->wants->low, 'target' => $this->wants->target, 'high' => $this->wants->high],
            'steps' => $units->throughout(array_map(
                static fn (string $code, array $lines): array => [
                    'code' => $code,
                    'lines' => array_map(static fn (ProgramLine $line): array => $line->toArray(), $lines),
                ],
                array_keys($this->steps),
                $this->steps,
            )),
            'mix' => [
                'own' => $this->mix->isOwn,
                'need' => self::pairs($this->need->need),
                'never' => $this->need->never,
                'supplied' => self::pairs($this->mix->supplied),
                'short' => self::pairs($this->mix->short),
                'over' => self::pairs($this->mix->over),
                'unwanted' => $this->mix->unwanted,
                'reasons' => $this->mix->reasons,
            ],
            'amounts' => array_map(
                static fn (MeasuredAmount $one): array => [
                    'product' => $one->product->code,
                    'name' => $one->product->name,
                    'grade' => $one->product->grade(),
                    'organic' => $one->product->isOrganic,
                    'bag_lb' => $one->product->bagLb,
                    'cautions' => $one->product->cautions(),
                    ...$one->toArray($bedM2),
                ],
                $this->amounts,
            ),
            'days' => $this->days,
            'cautions' => $this->cautions,
            'causes' => array_map(
                fn (string $code, string $question): array => [
                    'code' => $code,
                    'question' => $question,
                    'answer' => $this->results->causes[$code] ?? 'unknown',
                ],
                array_keys(HighPhCauses::questions()),
                HighPhCauses::questions(),
            ),
            'too_high' => $this->results->lime->kind === 'too_high',
        ];
    }

    /**
     * @param array<string, float> $by
     * @return list<array{nutrient: string, lb_per_acre: float}>
     */
    private static function pairs(array $by): array
    {
        return array_map(
            static fn (string $nutrient, float $pounds): array => ['nutrient' => $nutrient, 'lb_per_acre' => $pounds],
            array_keys($by),
            array_values($by),
        );
    }
}
