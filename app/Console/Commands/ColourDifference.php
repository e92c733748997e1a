<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Colour\Ciede2000;
use HonestCore\Colour\LabColour;
use HonestCore\Table\Number;

final class ColourDifference extends ContractCommand
{
    protected $signature = 'colour:difference
        {one : L*,a*,b*}
        {other : L*,a*,b*}
        {--json : print one JSON document}';

    protected $description = 'Difference CIEDE2000 of two colours';

    protected function facts(): array
    {
        return ['de2000' => Ciede2000::between($this->colour('one'), $this->colour('other'))];
    }

    private function colour(string $argument): LabColour
    {
        $text = $this->argument($argument);
        $text = is_string($text) ? $text : '';
        $parts = array_map(Number::parse(...), explode(',', $text));
        if (count($parts) !== 3 || in_array(null, $parts, true)) {
            throw BadInput::because(
                $argument,
                "\"{$text}\" is not a colour",
                'three numbers L,a,b such as 50,2.68,-79.78',
            );
        }

        return LabColour::of(...$parts);
    }
}
