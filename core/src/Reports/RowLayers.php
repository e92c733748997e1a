<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Quantity\DepthLayer;

/** The layer that a row itself says, in one cell or in a cell for its top and one for its bottom. */
final class RowLayers
{
    /** @var array<string, array{DepthLayer|null, string, Doubt|null}> by what the cells say */
    private array $known = [];

    private readonly ?int $depth;

    private readonly ?int $top;

    private readonly ?int $bottom;

    private readonly string $unit;

    /**
     * @param list<ReportColumn> $columns
     * @param array<string, int|null> $at
     */
    public function __construct(array $columns, array $at)
    {
        [$this->depth, $this->top, $this->bottom] = [
            $at['depth'] ?? null,
            $at['depth_top'] ?? null,
            $at['depth_bottom'] ?? null,
        ];
        $names = array_map(static fn (?int $i): string => $i === null ? '' : $columns[$i]->name, [
            $this->depth,
            $this->top,
            $this->bottom,
        ]);
        $this->unit = LayerText::unitOf(implode(' ', $names));
    }

    /**
     * @param list<string> $cells
     * @return array{DepthLayer|null, string, Doubt|null}
     */
    public function of(array $cells): array
    {
        $text = match (true) {
            $this->depth !== null => $cells[$this->depth],
            $this->top !== null && $this->bottom !== null && ($cells[$this->top] !== '' || $cells[$this->bottom] !== '')
                    => "{$cells[$this->top]}-{$cells[$this->bottom]}",
            $this->bottom !== null && $this->top === null => $cells[$this->bottom],
            default => '',
        };

        return $text === '' ? [null, '', null] : ($this->known[$text] ??= $this->understood($text));
    }

    /** @return array{DepthLayer|null, string, Doubt|null} */
    private function understood(string $text): array
    {
        $layer = LayerText::read($text, $this->unit);

        return [
            $layer,
            $text,
            $layer !== null
                ? null
                : new Doubt(
                    'depth',
                    "the depth \"{$text}\" is no layer with a unit; say inches or centimetres, as in 0-6 in.",
                    true,
                ),
        ];
    }
}
