/** Version of the computing core; stored with every reading, part of what keys a fault dictionary. */
export const CORE_VERSION = "0.1.0";
