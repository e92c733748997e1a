<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\NotedLine;
use App\Actions\FollowUp\SpreadLines;
use App\Http\Resources\FollowUp\GroundEventResource;
use App\Models\GroundEvent;
use App\Models\Site;
use Illuminate\Http\JsonResponse;

/** What a spreader works off: the lines of the programs that stand on a site. */
final class ListSpreadLines
{
    public function __invoke(Site $site, SpreadLines $lines): JsonResponse
    {
        $found = $lines->of($site);
        $today = now($site->timezone)->format('Y-m-d');

        return new JsonResponse([
            'site_id' => $site->id,
            'today' => $today,
            'lines' => array_map(
                static fn (NotedLine $one): array => [
                    'key' => $one->line->key(),
                    'program_id' => $one->program->id,
                    'area_id' => $one->program->area_id,
                    'area' => $one->program->area->name,
                    ...$one->line->toRow(),
                    'acres' => $one->line->acres(),
                    'late' => $one->line->on < $today,
                    'noted' => array_map(GroundEventResource::row(...), $one->noted),
                ],
                $found['lines'],
            ),
            'other' => array_map(
                static fn (GroundEvent $event): array => [
                    ...GroundEventResource::row($event), 'area_id' => $event->area_id, 'area' => $event->area->name,
                ],
                $found['other'],
            ),
        ]);
    }
}
