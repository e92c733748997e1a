<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Readings\NoteGlimpses;
use App\Actions\Reports\SideBySide;
use App\Actions\Reports\SideRow;
use App\Database\Page;
use App\Http\Resources\Reports\SideBySideResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** All readings of one analyte side by side; of the one that is read most when none is named. */
final class ShowSideBySide
{
    public function __invoke(Request $request, SideBySide $sideBySide, NoteGlimpses $note): JsonResponse
    {
        $request->validate(
            ['analyte' => ['sometimes', 'string', 'regex:/^[a-z0-9_]{1,20}$/D'], 'area' => ['sometimes', 'integer'], 'page' => Page::ASKED],
            ['analyte.regex' => 'An analyte is named by its code, such as ph, p or k.'],
        );
        $known = SideBySide::analytes();
        $analyte = $request->filled('analyte') ? $request->string('analyte')->toString() : $known[0]['code'] ?? 'ph';

        $shown = $sideBySide($analyte, $request->filled('area') ? $request->integer('area') : null, $request->integer('page', 1));
        $note->ofSamples(array_map(static fn (SideRow $row): int => $row->sample->id, $shown->rows));

        return new JsonResponse([
            'analytes' => $known,
            ...(new SideBySideResource($shown))->toArray($request),
        ]);
    }
}
