<?php

declare(strict_types=1);

namespace HonestCore\Table;

/** Decimal numbers as people and programs write them, with a decimal point. */
final class Number
{
    /** The finite number a text stands for, or null: no thousands marks, no decimal comma, no hexadecimal. */
    public static function parse(string $text): ?float
    {
        if (preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/D', trim($text)) !== 1) {
            return null;
        }
        $value = (float) trim($text);

        return is_finite($value) ? $value : null;
    }
}
