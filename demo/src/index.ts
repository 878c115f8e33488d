export * from '@fresh-tuck/core/practice';
