<?php

declare(strict_types=1);

namespace App\Http\Resources\Evidence;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\Pair;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * Pairs of a test, some at a time: those that count, or those left out.
 *
 * @property Evidence $resource
 */
final class PairsPage extends JsonResource
{
    private const PER_PAGE = 100;

    public function __construct(Evidence $evidence, private readonly bool $leftOut, private readonly int $page)
    {
        parent::__construct($evidence);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $actions = $this->resource->policy->terms->actions;
        $all = $this->resource->shown($this->leftOut);
        $pages = max(1, (int) ceil(count($all) / self::PER_PAGE));
        $page = min($this->page, $pages);

        return [
            'total' => count($all),
            'more' => false,
            'page' => $page,
            'pages' => $pages,
            'rows' => array_map(
                static fn (Pair $pair): PairResource => new PairResource($pair, $actions),
                array_slice($all, ($page - 1) * self::PER_PAGE, self::PER_PAGE),
            ),
        ];
    }
}
