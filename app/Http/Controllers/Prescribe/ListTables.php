<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\OwnTables;
use App\Http\Resources\Prescribe\TableResource;
use App\Models\Site;
use HonestCore\Table\ChangedTable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The rule tables of programs, with the figures that hold at a site. */
final class ListTables
{
    public function __invoke(Request $request, Site $site, OwnTables $tables): JsonResponse
    {
        return new JsonResponse(
            array_map(
                static fn (string $name): array => (new TableResource(
                    [$name, $tables->holding($site->id)->get($name), $site->units === 'metric'],
                ))->toArray($request),
                array_keys(ChangedTable::REPLACEABLE),
            ),
        );
    }
}
