<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Models\Consignment;
use Illuminate\Http\Response;

final class ShowDeliveredReport
{
    public function __invoke(Consignment $consignment, int $delivered): Response
    {
        $found = $consignment->reports()->findOrFail($delivered);

        $ending = str_ends_with($found->name, '.json') ? 'json' : 'csv';

        return new Response($found->content, 200, [
            'Content-Type' => $ending === 'json' ? 'application/json' : 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"report-{$consignment->number}-{$found->id}.{$ending}\"",
        ]);
    }
}
