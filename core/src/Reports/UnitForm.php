<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\UnitText;

/** The form in which an analyte is counted, as its unit says it: "mg N/kg" of nitrate, "% C" of organic matter. */
final class UnitForm
{
    /** What the element behind a unit means for an analyte; the element itself where it means no more. */
    public static function of(string $analyte, string $element): string
    {
        return ['no3n/N' => 'NO3-N', 'nh4n/N' => 'NH4-N', 'om/C' => 'OC']["{$analyte}/{$element}"] ?? $element;
    }

    /**
     * A unit that names another element than the analyte, such as "mg N/kg" for potassium, or nothing: one of the two
     * is a slip, and nobody can see which.
     */
    public static function ofAnother(Analyte $analyte, ?UnitText $unit): string
    {
        $form = self::of($analyte->code, $unit->form ?? '');

        return $unit === null || $form === '' || $form === $analyte->element || in_array($form, $analyte->forms, true)
            ? ''
            : "{$unit->unit->code} {$unit->form}";
    }
}
