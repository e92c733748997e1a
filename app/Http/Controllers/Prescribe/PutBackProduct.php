<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\Shelf;
use Illuminate\Http\Response;

/** A product as it ships again; one of the team's own leaves the shelf. */
final class PutBackProduct
{
    public function __invoke(string $product, Shelf $shelf): Response
    {
        abort_unless(isset($shelf->own()[$product]), 404);
        $shelf->putBack($product);

        return new Response('', 204);
    }
}
