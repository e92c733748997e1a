<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\OwnTables;
use App\Database\State;
use App\Http\Requests\Prescribe\TableRequest;
use App\Http\Resources\Prescribe\TableResource;
use App\Models\Site;
use App\Models\User;

final class ChangeTable
{
    public function __invoke(TableRequest $request, Site $site, string $table, OwnTables $tables): TableResource
    {
        /** @var User $author */
        $author = $request->user();
        State::check(OwnTables::state($tables->holding($site->id)->get($table)), $request->input('state'), $table);
        $tables->change(
            $table,
            $request->boolean('site_only') ? $site->id : null,
            $request->array('changes'),
            $request->string('source')->trim()->toString(),
            $request->string('dated')->toString(),
            $author,
        );

        return new TableResource([$table, $tables->holding($site->id)->get($table), $site->units === 'metric']);
    }
}
