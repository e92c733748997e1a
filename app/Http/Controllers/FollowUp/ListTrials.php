<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\AnsweredLine;
use App\Actions\FollowUp\TriedSchools;
use App\Http\Resources\FollowUp\AnswerResource;
use App\Http\Resources\FollowUp\LocalFactorResource;
use App\Models\LocalFactorInUse;
use HonestCore\FollowUp\SchoolTrial;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Which school was right: every school's word against the ground, by the rule that was written down before. */
final class ListTrials
{
    public function __invoke(Request $request, TriedSchools $tried): JsonResponse
    {
        $rules = new Fields(RuleTable::named('follow-up'));

        return new JsonResponse([
            'rule' => (new Fields($rules->row('local_factor')))->text('words'),
            'dated' => $rules->text('dated'),
            'schools' => array_map(
                static fn (array $one): array => [
                    ...$one['trial']->toArray(),
                    'offered' => $one['trial']->offered()?->toRow(),
                    'soils' => array_map(
                        static fn (string $soil, SchoolTrial $of): array => ['soil' => $soil, ...$of->toArray()],
                        array_keys($one['soils']),
                        array_values($one['soils']),
                    ),
                    'tried' => array_map(AnswerResource::row(...), $one['tried']),
                    'left_out' => array_map(
                        static fn (AnsweredLine $line): array => [
                            'program_id' => $line->program->id,
                            'area' => $line->area->name,
                            'season' => $line->program->season,
                            'why' => $line->answer->reasons[0] ?? 'There is no control.',
                        ],
                        $one['left_out'],
                    ),
                ],
                $tried(),
            ),
            'in_use' => LocalFactorInUse::register()
                ->map(static fn (LocalFactorInUse $one): array => (new LocalFactorResource($one))->toArray($request))
                ->all(),
        ]);
    }
}
