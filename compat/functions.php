<?php

declare(strict_types=1);

// PHP 8.5's array_first() and array_last(), for the framework. Stands in for symfony/polyfill-php85, which the registry does not carry;
// drop it when the package is to be had or PHP is 8.5.

if (! function_exists('array_first')) {
    /** @param  array<mixed>  $array */
    function array_first(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_first($array)];
    }
}

if (! function_exists('array_last')) {
    /** @param  array<mixed>  $array */
    function array_last(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_last($array)];
    }
}
