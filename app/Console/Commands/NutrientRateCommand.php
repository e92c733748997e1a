<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\NutrientRate;

final class NutrientRateCommand extends ContractCommand
{
    protected $signature = 'nutrient:rate
        {--analyte= : p or k}
        {--value= : the test, ppm of the element}
        {--extractant=mehlich-3 : extractant that it was made by}
        {--crop= : corn, soybean, wheat or alfalfa}
        {--yield= : bushels an acre, for alfalfa tons}
        {--cec= : exchange capacity, cmol/kg, for potash}
        {--school=build : build or sufficiency}
        {--years=4 : years over which to build up}
        {--x0= : lb/acre at test zero, for sufficiency}
        {--critical= : own critical level, ppm}
        {--limit= : own limit of maintenance, ppm}
        {--u=0 : standard uncertainty of the test, ppm}
        {--json : print one JSON document}';

    protected $description = 'Phosphate or potash for a year';

    protected function facts(): array
    {
        $analyte =
            $this->oneOf('analyte', ['p', 'k']) ?? throw BadInput::because('--analyte', 'it is missing', 'p or k');
        $value = $this->requiredWithin('value', 0);
        $crop =
            $this->oneOf('crop', NutrientQuestion::CROPS) ??
            throw BadInput::because('--crop', 'it is missing', implode(', ', NutrientQuestion::CROPS));
        $school = $this->oneOf('school', ['build', 'sufficiency']);
        $x0 = $this->within('x0', 0);
        if ($school === 'sufficiency' && $x0 === null) {
            throw BadInput::because(
                '--x0',
                'it is missing',
                'the rate at test zero, lb/acre, which sufficiency needs',
            );
        }

        return NutrientRate::of(
            NutrientQuestion::of(
                $analyte,
                $value,
                $crop,
                (string) $this->text('extractant'),
                $this->within('yield', 0),
                $this->within('cec', 0),
                $school === 'sufficiency',
                $this->requiredWithin('years', 0, aboveLow: true),
                $x0,
                $this->limits(),
                $this->requiredWithin('u', 0),
            ),
        )->toArray();
    }

    /**
     * @return array{float, float}|null
     *
     * @throws BadInput
     */
    private function limits(): ?array
    {
        [$critical, $limit] = [$this->within('critical', 0), $this->within('limit', 0)];
        if (($critical === null) !== ($limit === null)) {
            throw BadInput::because('--critical, --limit', 'only one of them is given', 'both, or neither');
        }
        if ($critical !== null && $limit !== null && $critical > $limit) {
            throw BadInput::because('--critical', "{$critical} lies above --limit", 'no more than --limit');
        }

        return $critical === null || $limit === null ? null : [$critical, $limit];
    }
}
