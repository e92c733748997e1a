<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\DivideArea;
use App\Http\Requests\Areas\CutRequest;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Area;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class CutArea
{
    public function __invoke(CutRequest $request, Area $area, DivideArea $divide): AnonymousResourceCollection
    {
        /** @var array<string, mixed>|null $line */
        $line = $request->input('line') === null ? null : $request->array('line');
        $names = array_map(
            static fn (mixed $name): string => is_string($name) ? trim($name) : '',
            array_values($request->array('names')),
        );

        return AreaResource::collection($divide->inTwo($area, $line, [$names[0] ?? '', $names[1] ?? '']));
    }
}
