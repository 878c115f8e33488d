/** towel */
