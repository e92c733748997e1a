<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\PlanPoints;
use App\Models\Plan;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final class DownloadPoints
{
    public function __invoke(Plan $plan, string $format, PlanPoints $points): Response
    {
        abort_unless(isset(PlanPoints::TYPES[$format]), 404);
        $name = Str::slug($plan->area->name)."-plan-{$plan->id}.{$format}";

        return new Response($points($plan, $format), 200, [
            'Content-Type' => PlanPoints::TYPES[$format],
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }
}
