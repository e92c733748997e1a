<?php

declare(strict_types=1);

namespace App\Console\Commands;

use HonestCore\Amounts\SulphurRate;

final class AcidifyRateCommand extends ContractCommand
{
    protected $signature = 'acidify:rate
        {--ph= : pH in water now, 3 to 10}
        {--target= : pH wanted, 3 to 10}
        {--texture= : sand, loam or clay}
        {--carbonate= : carbonate that was measured, % CaCO3}
        {--fizz= : does it fizz with vinegar, yes or no}
        {--capacity= : measured lime buffer capacity, mg CaCO3 for each kg of soil and pH unit}
        {--depth-in=6 : depth to acidify, in inches}
        {--most=2 : most in one dressing, lb for 100 sq ft}
        {--json : print one JSON document}';

    protected $description = 'Elemental sulphur to lower the pH, or why not';

    protected function facts(): array
    {
        /** @var 'sand'|'loam'|'clay'|null $texture */
        $texture = $this->oneOf('texture', ['sand', 'loam', 'clay']);
        $fizz = $this->oneOf('fizz', ['yes', 'no']);

        return SulphurRate::of(
            $this->requiredWithin('ph', 3, 10),
            $this->requiredWithin('target', 3, 10),
            $texture,
            $this->within('carbonate', 0, 100),
            $fizz === null ? null : $fizz === 'yes',
            $this->within('capacity', 0, aboveLow: true),
            $this->requiredWithin('depth-in', 0),
            $this->requiredWithin('most', 0, aboveLow: true),
        )->toArray();
    }
}
