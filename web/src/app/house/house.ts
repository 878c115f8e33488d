import { Component } from '@angular/core';
@Component({ selector: 'ft-x-HouseScreen', template: '' })
export class HouseScreen {}
