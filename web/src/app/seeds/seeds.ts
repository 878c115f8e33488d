import { Component } from '@angular/core';
@Component({ selector: 'ft-x-SeedsScreen', template: '' })
export class SeedsScreen {}
