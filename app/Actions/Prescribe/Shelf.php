<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\State;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\ShelfRow;
use HonestCore\Program\ShelfProduct;
use Illuminate\Support\Str;

/** The products of a team: those that ship, its own rows in their place, and its own products. */
final class Shelf
{
    private const OWN = 'own-';

    private const MOST = 200;

    /** @var array<string, ShelfProduct>|null */
    private ?array $all = null;

    /** @return array<string, ShelfProduct> by code, by name */
    public function all(): array
    {
        if ($this->all === null) {
            $all = ShelfProduct::shipped();
            foreach (ShelfRow::query()->get() as $row) {
                $all[$row->code] = ShelfProduct::fromRow(['code' => $row->code] + $row->row);
            }
            uasort($all, static fn (ShelfProduct $a, ShelfProduct $b): int => $a->name <=> $b->name);
            $this->all = $all;
        }

        return $this->all;
    }

    /** @return array<string, true> codes of rows that are the team's own */
    public function own(): array
    {
        return array_fill_keys(Values::texts(ShelfRow::query()->pluck('code')), true);
    }

    /**
     * @param array<string, mixed> $row
     * @param mixed $basedOn the state that the edit began from
     */
    public function put(string $code, array $row, mixed $basedOn = null): ShelfProduct
    {
        $stored = $this->all()[$code] ?? null;
        if ($stored !== null) {
            State::check(State::of($stored->toRow()), $basedOn, $stored->name);
        }
        $product = ShelfProduct::fromRow(['code' => $code] + $row);
        if ($this->isNameTaken($product)) {
            throw Conflict::because('product_name_taken', name: $product->name);
        }
        $kept = $product->toRow();
        unset($kept['code']);
        ShelfRow::query()->updateOrCreate(['code' => $code], ['row' => $kept]);
        $this->all = null;

        return $product;
    }

    /** @param array<string, mixed> $row */
    public function add(array $row): ShelfProduct
    {
        if (ShelfRow::query()->count() >= self::MOST) {
            throw Conflict::because('shelf_full', most: self::MOST);
        }
        $name = is_string($row['name'] ?? null) ? $row['name'] : '';
        $code = self::OWN.mb_substr(Str::slug($name) ?: 'product', 0, 40);
        for ($i = 2; isset($this->all()[$code]); $i++) {
            $code = self::OWN.mb_substr(Str::slug($name) ?: 'product', 0, 40)."-{$i}";
        }

        return $this->put($code, $row);
    }

    /** What ships comes back as it ships; a product of the team's own goes off the shelf for good. */
    public function putBack(string $code): void
    {
        ShelfRow::query()->where('code', $code)->delete();
        $this->all = null;
    }

    private function isNameTaken(ShelfProduct $product): bool
    {
        foreach ($this->all() as $other) {
            if ($other->code !== $product->code && mb_strtolower($other->name) === mb_strtolower($product->name)) {
                return true;
            }
        }

        return false;
    }
}
