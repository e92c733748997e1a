<?php

declare(strict_types=1);

namespace App\Http\Controllers\Readings;

use App\Actions\Readings\TakeReport;
use App\Http\Requests\Readings\ReportRequest;
use App\Models\LabImport;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** A file taken before is answered with what was made of it then, and changes nothing. */
final class ImportReport
{
    public function __invoke(ReportRequest $request, TakeReport $take): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $import = $take($request->text(), $request->fileName(), $request->string('read_on')->toString(), $author);

        return new JsonResponse([...self::shape($import->loadCount('readings')), 'taken_before' => ! $import->wasRecentlyCreated], $import->wasRecentlyCreated ? 201 : 200);
    }

    /** @return array{id: int, file_name: string, rows: int, readings: int, taken_at: string} */
    public static function shape(LabImport $import): array
    {
        return [
            'id' => $import->id, 'file_name' => $import->file_name, 'rows' => $import->rows,
            'readings' => $import->readings_count, 'taken_at' => $import->created_at->toIso8601ZuluString(),
        ];
    }
}
