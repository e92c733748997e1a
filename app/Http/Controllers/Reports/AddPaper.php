<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\KeepPaper;
use App\Http\Requests\Reports\PaperRequest;
use App\Models\LabReport;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** The same paper again changes nothing. */
final class AddPaper
{
    public function __invoke(PaperRequest $request, LabReport $report, KeepPaper $keep): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $paper = $keep($report, $request->paper(), $author);

        return new JsonResponse(['id' => $paper->id, 'name' => $paper->name, 'bytes' => $paper->bytes], 201);
    }
}
