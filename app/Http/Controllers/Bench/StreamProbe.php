<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\CaptureProbe;
use App\Exceptions\Conflict;
use App\Http\Resources\Bench\CaptureResource;
use App\Models\Run;
use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * Reads the device into a tube and tells the page line by line what came; the last line is what was kept, or why
 * nothing was.
 */
final class StreamProbe
{
    public function __invoke(Request $request, Run $run, CaptureProbe $capture): StreamedResponse
    {
        $request->validate(['tube' => ['required', 'integer'], 'seconds' => ['required', 'integer', 'between:1,120']]);
        /** @var User $author */
        $author = $request->user();
        $tube = $run->tubeNumbered($request->integer('tube'));

        return new StreamedResponse(
            static function () use ($run, $tube, $author, $request, $capture): void {
                // Whoever leaves the page does not stop what is being kept.
                ignore_user_abort(true);
                $line = static function (array $line): void {
                    echo json_encode($line, JSON_THROW_ON_ERROR), "\n";
                    if (ob_get_level() > 0) {
                        ob_flush();
                    }
                    flush();
                };
                try {
                    $line([
                        'capture' => (new CaptureResource(
                            $capture($run, $tube, $author, $request->integer('seconds'), $line),
                        ))->toArray($request),
                    ]);
                } catch (Conflict $conflict) {
                    $line(['refused' => $conflict->words()]);
                }
            },
            200,
            ['Content-Type' => 'application/x-ndjson', 'X-Accel-Buffering' => 'no'],
        );
    }
}
