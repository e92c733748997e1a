<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ComposeProgram;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Requests\Prescribe\CropsRequest;
use App\Http\Resources\Prescribe\ProgramResource;
use App\Models\Area;
use HonestCore\Program\PullApart;
use Illuminate\Http\JsonResponse;

/** Programs of up to three crops for the same ground side by side, and where they pull apart. */
final class CompareCrops
{
    public function __invoke(CropsRequest $request, Area $area, ComposeProgram $compose, NoteGlimpses $note): JsonResponse
    {
        $note->ofArea($area);
        $programs = $first = [];
        foreach ($request->crops() as $crop) {
            $it = $compose($area, $compose->usual($area, $crop));
            $programs[] = (new ProgramResource($it))->toArray($request);
            foreach ($it->parts as $part) {
                $first[$part->results->label][$it->crop->name] = $part;
            }
        }
        $words = [];
        foreach ($first as $label => $of) {
            foreach (PullApart::words($of) as $one) {
                $words[$one][] = $label;
            }
        }

        return new JsonResponse([
            'programs' => $programs,
            'apart' => array_map(
                static fn (string $one, array $labels): string => count($first) > 1 ? implode(', ', $labels).": {$one}" : $one,
                array_keys($words),
                $words,
            ),
        ]);
    }
}
