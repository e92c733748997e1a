<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Crop;
use HonestCore\Amounts\NutrientRate;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * What was found, each on its own scale: the figure, how sure it is, and between which limits this crop wants it.
 *
 * Quantity and unit: pH, or the home unit of the analyte; the uncertainty is the expanded one. Limits are null where there are
 * none for its extractant.
 */
final readonly class FoundScale
{
    private const PH_SCALE = [4.0, 9.0];

    private function __construct(
        public string $name,
        public float $value,
        public ?float $uncertainty,
        public string $unit,
        public int $digits,
        public ?float $low,
        public ?float $high,
        public float $from,
        public float $to,
        public string $whose,
    ) {}

    /** @return list<self> */
    public static function all(PartResults $part, WantedCrop $crop, Crop $wants, ProgramChoices $choices): array
    {
        $found = [];
        if ($part->ph !== null) {
            $found[] = new self(
                'pH',
                $part->ph->ph,
                $part->ph->uncertainty,
                '',
                2,
                $wants->low,
                $wants->high,
                min(self::PH_SCALE[0], $part->ph->ph),
                max(self::PH_SCALE[1], $part->ph->ph),
                $part->phFrom,
            );
        }
        foreach ($part->heard as $code => $heard) {
            if ($heard->tested === null) {
                continue;
            }
            [$low, $high] = self::limits($code, $heard, $part, $crop, $choices);
            $value = $heard->tested->value;
            $found[] = new self(
                $heard->analyte->name,
                $value,
                $heard->tested->expanded,
                $heard->analyte->isUnitless() ? '' : SoilUnit::named($heard->analyte->homeUnit)->symbol(),
                $heard->analyte->digits,
                $low,
                $high,
                0.0,
                max(1e-9, 1.25 * max($value + ($heard->tested->expanded ?? 0.0), $high ?? ($low ?? 0.0) * 1.5)),
                $heard->from,
            );
        }

        return $found;
    }

    /** @return array{float|null, float|null} */
    private static function limits(string $code, Heard $heard, PartResults $part, WantedCrop $crop, ProgramChoices $choices): array
    {
        if ($heard->tested === null) {
            return [null, null];
        }
        if ($code === 'p' || $code === 'k') {
            $asked = $crop->question($code, $heard->tested, $part->value('cec'), null, $choices->bySufficiency, $choices->years);

            return $asked === null ? [null, null] : NutrientRate::limitsOf($asked) ?? [null, null];
        }
        $rows = (new Fields(RuleTable::named('class-limits')))->named('analytes');
        $row = is_array($rows[$code] ?? null) ? new Fields($rows[$code]) : null;

        return [$row === null ? null : (new Fields($row->row('limits')))->numberOrNull($heard->tested->extractant), null];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'value' => $this->value,
            'uncertainty' => $this->uncertainty,
            'unit' => $this->unit,
            'digits' => $this->digits,
            'low' => $this->low,
            'high' => $this->high,
            'from' => $this->from,
            'to' => $this->to,
            'whose' => $this->whose,
        ];
    }
}
