<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Database\AllOrNothing;
use App\Database\State;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\Plan;
use App\Models\User;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Layout;
use HonestCore\Sampling\PlanSpec;
use HonestCore\Sampling\SplitAdvice;
use Illuminate\Validation\ValidationException;

/**
 * Stores a plan as it was drafted: with its boundary, its seed and its cores.
 */
final class SavePlan
{
    public function __construct(private readonly SpreadOfArea $earlier) {}

    public function new(Area $area, User $author, PlanSpec $spec): Plan
    {
        return $this->write(new Plan(['area_id' => $area->id, 'created_by' => $author->id]), $area, $spec);
    }

    /** @param mixed $basedOn the state that the edit began from */
    public function change(Plan $plan, PlanSpec $spec, mixed $basedOn = null): Plan
    {
        return AllOrNothing::of(function () use ($plan, $spec, $basedOn): Plan {
            State::check($plan->refresh()->specState(), $basedOn, $plan->area->name);
            if ($plan->samples()->exists()) {
                throw Conflict::because('plan_pulled');
            }

            return $this->write($plan, $plan->area, $spec);
        });
    }

    private function write(Plan $plan, Area $area, PlanSpec $spec): Plan
    {
        $advice = SplitAdvice::within($area->knownFacts(), Extent::ofSquareMetres($area->area_m2)->acres());
        if (
            $advice !== [] &&
            ($spec->keptReason ?? '') === '' &&
            ! $spec->parts()
        ) {
            throw ValidationException::withMessages([
                'kept_reason' => 'This ground should be split: '.
                    implode(' ', $advice).
                    ' Split it, or say why it stays one composite.',
            ]);
        }
        $layout = Layout::of($area->boundary, $spec, ($this->earlier)($area));
        $plan
            ->fill([
                'purpose' => $spec->purpose,
                'spec' => $spec,
                'boundary' => $area->boundary,
                'layout' => $layout,
                'composites' => count($layout->composites),
                'walk_m' => $layout->walkM,
                'minutes' => $layout->minutes,
            ])
            ->save();

        return $plan;
    }
}
