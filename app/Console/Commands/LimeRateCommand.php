<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Lime\LimeQuestion;
use HonestCore\Agronomy\Lime\LimeRequirement;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

final class LimeRateCommand extends ContractCommand
{
    protected $signature = 'lime:rate
        {--ph= : pH in water now, 3 to 10}
        {--target= : pH wanted, 3 to 10}
        {--smp= : pH of the sample in the SMP buffer, 3 to 9}
        {--mehlich= : pH of the sample in the Mehlich buffer, 3 to 9}
        {--adams-evans= : pH of the sample in the Adams-Evans buffer, 3 to 9}
        {--capacity= : measured lime buffer capacity, mg CaCO3 for each kg of soil and pH unit}
        {--sampled=0-6in : the layer that the sample stands for}
        {--mixed-in= : how deep the lime is mixed, in inches}
        {--cce=90 : calcium carbonate equivalent of the material, %}
        {--p8=95 : share of it through 8 mesh, %}
        {--p60=50 : share of it through 60 mesh, %}
        {--moisture=0 : water in it, %}
        {--om= : organic matter of the soil, %}
        {--u-ph=0.06 : standard uncertainty of the pH}
        {--u-buffer=0.05 : standard uncertainty of the buffer pH}
        {--json : print one JSON document}';

    protected $description = 'How much of a limestone lifts the pH, by each school that a reading was given for';

    protected function facts(): array
    {
        [$ph, $target] = [$this->requiredWithin('ph', 3, 10), $this->requiredWithin('target', 3, 10)];
        $readings = [
            'smp' => $this->within('smp', 3, 9),
            'mehlich' => $this->within('mehlich', 3, 9),
            'adams_evans' => $this->within('adams-evans', 3, 9),
            'capacity' => $this->within('capacity', 0, aboveLow: true),
        ];
        if (array_filter($readings, is_float(...)) === []) {
            throw BadInput::because(
                '--smp, --mehlich, --adams-evans, --capacity',
                'none of them is given',
                'at least one',
            );
        }
        $question = LimeQuestion::of(
            $ph,
            $target,
            $readings,
            DepthLayer::parse((string) $this->text('sampled'), '--sampled'),
            $this->within('mixed-in', 0, aboveLow: true),
            $this->material(),
            $this->within('om', 0, 100),
            $this->requiredWithin('u-ph', 0),
            $this->requiredWithin('u-buffer', 0),
        );

        return LimeRequirement::of($question)->toArray();
    }

    private function material(): LimeMaterial
    {
        [$cce, $p8, $p60, $moisture] = [
            $this->requiredWithin('cce', 0, 180, true),
            $this->requiredWithin('p8', 0, 100),
            $this->requiredWithin('p60', 0, 100),
            $this->requiredWithin('moisture', 0, 100),
        ];
        if ($p60 > $p8) {
            throw BadInput::because(
                '--p60',
                "{$p60} % pass the finer mesh and {$p8} % the coarser",
                'no more than --p8',
            );
        }
        try {
            return LimeMaterial::ground($cce, $p8, $p60, $moisture);
        } catch (ValueOutOfRange $error) {
            throw new BadInput("--p8, --moisture: {$error->getMessage()}", 0, $error);
        }
    }
}
