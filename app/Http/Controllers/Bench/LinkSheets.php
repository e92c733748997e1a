<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Resources\Bench\BenchMethodResource;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The team's own links to safety data sheets. */
final class LinkSheets
{
    public function __invoke(Request $request, TestMethod $method): JsonResponse
    {
        $request->validate(
            [
                'links' => ['present', 'array', 'list', 'max:10'],
                'links.*.name' => ['required', 'string', 'max:80'],
                'links.*.url' => ['required', 'string', 'max:500', 'url:https'],
            ],
            ['links.*.url.url' => 'Accepted is an address that begins with https://.'],
        );
        /** @var list<array{name: string, url: string}> $links */
        $links = $request->array('links');
        $method->update([
            'links' => array_map(
                static fn (array $link): array => ['name' => $link['name'], 'url' => $link['url']],
                $links,
            ),
        ]);

        return (new BenchMethodResource($method))->response();
    }
}
