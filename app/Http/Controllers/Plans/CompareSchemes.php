<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Evidence\GatherEvidence;
use App\Actions\Plans\CompareOnGround;
use App\Http\Requests\Plans\ComparisonRequest;
use App\Models\Area;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Answers at once, or line by line with its progress to whoever asks for application/x-ndjson. */
final class CompareSchemes
{
    private const TELL_EVERY = 10;

    public function __invoke(
        ComparisonRequest $request,
        Area $area,
        CompareOnGround $compare,
        GatherEvidence $evidence,
    ): JsonResponse|StreamedResponse {
        $limits = $evidence->policy('ph')->limitsFor($area->use)->values;
        $crop = $area->crop()->within($limits[0], $limits[count($limits) - 1]);
        $compare->prepare(
            $area,
            [
                'ground' => $request->string('ground')->toString(),
                'mean_ph' => $request->float('mean_ph'),
                'sd_ph' => $request->float('sd_ph'),
                'range_m' => $request->float('range_m'),
                'fields' => $request->integer('fields'),
                'seed' => $request->integer('seed'),
                'cores_in_composite' => $request->integer('cores_in_composite'),
                'cores_in_cell' => $request->integer('cores_in_cell'),
                'results' => $request->string('results')->toString(),
            ],
            $request->stakes(),
            [$crop->low, $crop->target],
            $area->drawnZones(),
        );
        if (! $request->accepts('application/x-ndjson') || $request->accepts('application/json')) {
            return new JsonResponse($compare->run(static function (): void {}));
        }

        return new StreamedResponse(
            static function () use ($compare): void {
                $line = static function (array $line): void {
                    echo json_encode($line, JSON_THROW_ON_ERROR), "\n";
                    if (ob_get_level() > 0) {
                        ob_flush();
                    }
                    flush();
                };
                $result = $compare->run(static function (int $done, int $of) use ($line): void {
                    if ($done % self::TELL_EVERY === 0 || $done === $of) {
                        $line(['done' => $done, 'of' => $of]);
                    }
                });
                $line(['result' => $result]);
            },
            200,
            ['Content-Type' => 'application/x-ndjson', 'X-Accel-Buffering' => 'no'],
        );
    }
}
