<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\ListOfConsignment;
use App\Http\Requests\CsvChoice;
use App\Models\Consignment;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class DownloadList
{
    public function __invoke(Request $request, Consignment $consignment, ListOfConsignment $list): Response
    {
        return new Response($list($consignment, CsvChoice::of($request)), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"consignment-{$consignment->number}.csv\"",
        ]);
    }
}
